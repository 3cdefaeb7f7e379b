CREATE TABLE "class_session" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"course_id" uuid NOT NULL,
	"day" date NOT NULL,
	"starts_at" time NOT NULL,
	"ends_at" time NOT NULL,
	"promised_day" date
);
--> statement-breakpoint
CREATE TABLE "course" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"title" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cut_run" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"session_id" uuid NOT NULL,
	"kit_version_id" uuid NOT NULL,
	"kits" integer NOT NULL,
	CONSTRAINT "cut_run_session_id_kit_version_id_unique" UNIQUE("session_id","kit_version_id")
);
--> statement-breakpoint
CREATE TABLE "cut_tick" (
	"cut_run_id" uuid NOT NULL,
	"line_key" text NOT NULL,
	"done" integer NOT NULL,
	CONSTRAINT "cut_tick_cut_run_id_line_key_pk" PRIMARY KEY("cut_run_id","line_key")
);
--> statement-breakpoint
CREATE TABLE "enrolment" (
	"session_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"seat" integer NOT NULL,
	"safety_signed_at" timestamp with time zone,
	CONSTRAINT "enrolment_session_id_student_id_pk" PRIMARY KEY("session_id","student_id"),
	CONSTRAINT "enrolment_session_id_seat_unique" UNIQUE("session_id","seat")
);
--> statement-breakpoint
CREATE TABLE "firing" (
	"id" uuid PRIMARY KEY NOT NULL,
	"number" integer GENERATED ALWAYS AS IDENTITY (sequence name "firing_number_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"kiln_id" uuid NOT NULL,
	"state" text NOT NULL,
	"family_id" text NOT NULL,
	"level" text NOT NULL,
	"schedule" jsonb NOT NULL,
	"set_by" jsonb NOT NULL,
	"air_min" double precision NOT NULL,
	"planned_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"finished_at" timestamp with time zone,
	"speed_up" integer DEFAULT 1 NOT NULL,
	"open_s" double precision NOT NULL,
	"kwh" double precision NOT NULL,
	"flow" double precision NOT NULL,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "firing_place" (
	"firing_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"x_mm" double precision NOT NULL,
	"y_mm" double precision NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision NOT NULL,
	"turned" boolean NOT NULL,
	"cost_hours" double precision NOT NULL,
	"expected_level" text NOT NULL,
	"judged_level" text,
	"faults" jsonb,
	"next" text,
	CONSTRAINT "firing_place_firing_id_piece_id_pk" PRIMARY KEY("firing_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "glass" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"family_id" text NOT NULL,
	"form" text NOT NULL,
	"thickness_mm" double precision NOT NULL,
	"opacity" text NOT NULL,
	"tone" text NOT NULL,
	"bought_colour" text NOT NULL,
	"fired_colour" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "glass_family" (
	"id" text PRIMARY KEY NOT NULL,
	"label" text NOT NULL,
	"expansion_e7_per_k" double precision NOT NULL,
	"annealing_c" double precision NOT NULL,
	"softening_c" double precision NOT NULL,
	"working_c" double precision NOT NULL,
	"tested" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kiln" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"sort" integer NOT NULL,
	"body" jsonb NOT NULL,
	"shelf_width_mm" double precision NOT NULL,
	"shelf_height_mm" double precision NOT NULL,
	"margin_mm" double precision NOT NULL,
	"clear_height_mm" double precision NOT NULL,
	"max_c" double precision NOT NULL,
	"door_side" text NOT NULL,
	"uses" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kiln_reading" (
	"kiln_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"firing_id" uuid,
	"elapsed_s" double precision,
	"air_c" double precision NOT NULL,
	"set_c" double precision,
	CONSTRAINT "kiln_reading_kiln_id_at_pk" PRIMARY KEY("kiln_id","at")
);
--> statement-breakpoint
CREATE TABLE "kit_design" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"document" jsonb NOT NULL,
	"reading" jsonb NOT NULL,
	"updated_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kit_version" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kit_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	"reading" jsonb NOT NULL,
	"frozen_at" timestamp with time zone NOT NULL,
	CONSTRAINT "kit_version_kit_id_version_unique" UNIQUE("kit_id","version"),
	CONSTRAINT "kit_version_kit_id_revision_unique" UNIQUE("kit_id","revision")
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"id" uuid PRIMARY KEY NOT NULL,
	"piece_id" uuid NOT NULL,
	"image" "bytea" NOT NULL,
	"thumbnail" "bytea" NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"taken_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pickup_spot" (
	"label" text PRIMARY KEY NOT NULL,
	"sort" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "piece" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"code" text NOT NULL,
	"kind" text NOT NULL,
	"student_id" uuid,
	"session_id" uuid,
	"kit_version_id" uuid,
	"family_id" text NOT NULL,
	"promised_day" date,
	"state" text NOT NULL,
	"seq" integer NOT NULL,
	"journey" jsonb NOT NULL,
	"ready_from" timestamp with time zone,
	"spot" text,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "piece_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "piece_event" (
	"id" uuid PRIMARY KEY NOT NULL,
	"piece_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"payload_version" integer DEFAULT 1 NOT NULL,
	"data" jsonb NOT NULL,
	"happened_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	"actor_id" text,
	CONSTRAINT "piece_event_piece_id_seq_unique" UNIQUE("piece_id","seq")
);
--> statement-breakpoint
CREATE TABLE "student" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"email" text
);
--> statement-breakpoint
CREATE TABLE "studio" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"cooling_school" text DEFAULT 'usual' NOT NULL,
	"soak_school" text DEFAULT 'lower' NOT NULL,
	"clearance_mm" double precision DEFAULT 5 NOT NULL,
	"next_piece_number" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"token" text NOT NULL,
	"user_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"role" text DEFAULT 'assistant' NOT NULL,
	"demo_password" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "class_session" ADD CONSTRAINT "class_session_course_id_course_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_run" ADD CONSTRAINT "cut_run_session_id_class_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."class_session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_run" ADD CONSTRAINT "cut_run_kit_version_id_kit_version_id_fk" FOREIGN KEY ("kit_version_id") REFERENCES "public"."kit_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_tick" ADD CONSTRAINT "cut_tick_cut_run_id_cut_run_id_fk" FOREIGN KEY ("cut_run_id") REFERENCES "public"."cut_run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "enrolment" ADD CONSTRAINT "enrolment_session_id_class_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."class_session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "enrolment" ADD CONSTRAINT "enrolment_student_id_student_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."student"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "firing" ADD CONSTRAINT "firing_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "firing" ADD CONSTRAINT "firing_family_id_glass_family_id_fk" FOREIGN KEY ("family_id") REFERENCES "public"."glass_family"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "firing_place" ADD CONSTRAINT "firing_place_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "firing_place" ADD CONSTRAINT "firing_place_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_family_id_glass_family_id_fk" FOREIGN KEY ("family_id") REFERENCES "public"."glass_family"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD CONSTRAINT "kiln_reading_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD CONSTRAINT "kiln_reading_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_version" ADD CONSTRAINT "kit_version_kit_id_kit_design_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit_design"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_student_id_student_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."student"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_session_id_class_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."class_session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_kit_version_id_kit_version_id_fk" FOREIGN KEY ("kit_version_id") REFERENCES "public"."kit_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_family_id_glass_family_id_fk" FOREIGN KEY ("family_id") REFERENCES "public"."glass_family"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_event" ADD CONSTRAINT "piece_event_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "piece_event" ADD CONSTRAINT "piece_event_actor_id_user_id_fk" FOREIGN KEY ("actor_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "class_session_day" ON "class_session" USING btree ("day");--> statement-breakpoint
CREATE INDEX "firing_state" ON "firing" USING btree ("state");--> statement-breakpoint
CREATE INDEX "firing_kiln" ON "firing" USING btree ("kiln_id");--> statement-breakpoint
CREATE INDEX "firing_place_piece" ON "firing_place" USING btree ("piece_id");--> statement-breakpoint
CREATE INDEX "kiln_reading_firing" ON "kiln_reading" USING btree ("firing_id","elapsed_s");--> statement-breakpoint
CREATE INDEX "photo_piece" ON "photo" USING btree ("piece_id");--> statement-breakpoint
CREATE INDEX "piece_state" ON "piece" USING btree ("state");--> statement-breakpoint
CREATE INDEX "piece_student" ON "piece" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "piece_session" ON "piece" USING btree ("session_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "session" USING btree ("user_id");