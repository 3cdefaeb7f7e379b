CREATE TABLE "firing_note" (
	"id" uuid PRIMARY KEY NOT NULL,
	"firing_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"elapsed_s" double precision,
	"text" text NOT NULL,
	"actor_id" text
);
--> statement-breakpoint
CREATE TABLE "kiln_alarm" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"kiln_id" uuid NOT NULL,
	"firing_id" uuid,
	"kind" text NOT NULL,
	"sentence" jsonb NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"seen_at" timestamp with time zone,
	"seen_by_id" text
);
--> statement-breakpoint
CREATE TABLE "kiln_lesson" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kiln_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"what" text NOT NULL,
	"before" jsonb NOT NULL,
	"after" jsonb NOT NULL,
	"because" jsonb NOT NULL,
	"actor_id" text
);
--> statement-breakpoint
CREATE TABLE "kiln_reading_span" (
	"kiln_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"n" integer NOT NULL,
	"low_c" real NOT NULL,
	"high_c" real NOT NULL,
	CONSTRAINT "kiln_reading_span_kiln_id_at_pk" PRIMARY KEY("kiln_id","at")
);
--> statement-breakpoint
CREATE TABLE "microwave_run" (
	"id" uuid PRIMARY KEY NOT NULL,
	"block_id" uuid NOT NULL,
	"oven_id" uuid NOT NULL,
	"piece_id" uuid,
	"what" text DEFAULT '' NOT NULL,
	"wanted" text NOT NULL,
	"fired" boolean NOT NULL,
	"plan" jsonb NOT NULL,
	"steps" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"looks" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"heated_at" timestamp with time zone,
	"opened_at" timestamp with time zone,
	"outcome" text,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "oven" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"watts" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "schedule" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"document" jsonb NOT NULL,
	"updated_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "schedule_version" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"schedule_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	"frozen_at" timestamp with time zone NOT NULL,
	CONSTRAINT "schedule_version_schedule_id_version_unique" UNIQUE("schedule_id","version"),
	CONSTRAINT "schedule_version_schedule_id_revision_unique" UNIQUE("schedule_id","revision")
);
--> statement-breakpoint
ALTER TABLE "kiln_reading" ALTER COLUMN "air_c" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "predicted_end_s" double precision;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "predicted_open_s" double precision;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "schedule_version_id" uuid;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "thickness_mm" double precision;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "came" jsonb;--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "what" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "shelf_shape" text DEFAULT 'rectangle' NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "max_segments" integer DEFAULT 12 NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "plate_w" double precision;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "zones" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "elements" jsonb DEFAULT '{"fittedOn":null,"firings":0,"hours":0,"dueFirings":200}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "upkeep" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "shelves" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "line" jsonb;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "permissions" jsonb DEFAULT '{"steer":false,"start":false}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD COLUMN "duty" real;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD COLUMN "kwh" real;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD COLUMN "segment" smallint;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD COLUMN "status" text;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "heat_school" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "dot_school" text DEFAULT 'asOthers' NOT NULL;--> statement-breakpoint
ALTER TABLE "firing_note" ADD CONSTRAINT "firing_note_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "firing_note" ADD CONSTRAINT "firing_note_actor_id_user_id_fk" FOREIGN KEY ("actor_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_seen_by_id_user_id_fk" FOREIGN KEY ("seen_by_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_lesson" ADD CONSTRAINT "kiln_lesson_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_lesson" ADD CONSTRAINT "kiln_lesson_actor_id_user_id_fk" FOREIGN KEY ("actor_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_reading_span" ADD CONSTRAINT "kiln_reading_span_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "microwave_run" ADD CONSTRAINT "microwave_run_block_id_kiln_id_fk" FOREIGN KEY ("block_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "microwave_run" ADD CONSTRAINT "microwave_run_oven_id_oven_id_fk" FOREIGN KEY ("oven_id") REFERENCES "public"."oven"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "microwave_run" ADD CONSTRAINT "microwave_run_piece_id_piece_id_fk" FOREIGN KEY ("piece_id") REFERENCES "public"."piece"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "schedule_version" ADD CONSTRAINT "schedule_version_schedule_id_schedule_id_fk" FOREIGN KEY ("schedule_id") REFERENCES "public"."schedule"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "firing_note_firing" ON "firing_note" USING btree ("firing_id","at");--> statement-breakpoint
CREATE INDEX "kiln_alarm_firing" ON "kiln_alarm" USING btree ("firing_id");--> statement-breakpoint
CREATE INDEX "kiln_alarm_started" ON "kiln_alarm" USING btree ("started_at");--> statement-breakpoint
CREATE INDEX "kiln_lesson_kiln" ON "kiln_lesson" USING btree ("kiln_id","at");--> statement-breakpoint
CREATE INDEX "microwave_run_block" ON "microwave_run" USING btree ("block_id","started_at");--> statement-breakpoint
ALTER TABLE "firing" ADD CONSTRAINT "firing_schedule_version_id_schedule_version_id_fk" FOREIGN KEY ("schedule_version_id") REFERENCES "public"."schedule_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT INTO "kiln_reading_span" ("kiln_id", "at", "n", "low_c", "high_c")
SELECT "kiln_id", to_timestamp(floor(extract(epoch from "at") / 600) * 600), count(*), min("air_c"), max("air_c")
FROM "kiln_reading" WHERE "air_c" IS NOT NULL GROUP BY 1, 2;
