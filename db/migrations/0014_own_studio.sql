CREATE TABLE "course_kit" (
	"course_id" uuid NOT NULL,
	"kit_id" uuid NOT NULL,
	CONSTRAINT "course_kit_course_id_kit_id_pk" PRIMARY KEY("course_id","kit_id")
);
--> statement-breakpoint
CREATE TABLE "waiting_place" (
	"session_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "waiting_place_session_id_student_id_pk" PRIMARY KEY("session_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "invitation" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"key_hash" text NOT NULL,
	"role" text NOT NULL,
	"for_whom" text NOT NULL,
	"invited_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "invitation_key_hash_unique" UNIQUE("key_hash"),
	CONSTRAINT "invitation_role_known" CHECK ("invitation"."role" in ('assistant', 'instructor'))
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind_known";--> statement-breakpoint
ALTER TABLE "class_session" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "class_session" ADD COLUMN "cancelled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "about" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "room" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "places" integer DEFAULT 8 NOT NULL;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "price_minor" integer;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "enrolment" ADD COLUMN "attended" boolean;--> statement-breakpoint
ALTER TABLE "student" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "student" ADD COLUMN "phone" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "student" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "student" ADD COLUMN "adult" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "length_unit" text DEFAULT 'mm' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "temperature_unit" text DEFAULT 'C' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "is_demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "calendar_key" text;--> statement-breakpoint
ALTER TABLE "course_kit" ADD CONSTRAINT "course_kit_course_id_course_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "course_kit" ADD CONSTRAINT "course_kit_kit_id_kit_design_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."kit_design"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waiting_place" ADD CONSTRAINT "waiting_place_session_id_class_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."class_session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waiting_place" ADD CONSTRAINT "waiting_place_student_id_student_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."student"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "waiting_place_student" ON "waiting_place" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "class_session_course" ON "class_session" USING btree ("course_id","day");--> statement-breakpoint
CREATE INDEX "enrolment_student" ON "enrolment" USING btree ("student_id");--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind_known" CHECK ("audit"."kind" in ('signedIn', 'signInRefused', 'signedOut', 'passwordChanged', 'secondFactor', 'sessionsEnded', 'disabled', 'enabled', 'forbidden', 'steered', 'exported', 'begun', 'erased', 'invited', 'joined', 'roleChanged'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_length_known" CHECK ("studio"."length_unit" in ('mm', 'in'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_temperature_known" CHECK ("studio"."temperature_unit" in ('C', 'F'));--> statement-breakpoint
-- Until now every book was the demo’s.
UPDATE "studio" SET "is_demo" = true;