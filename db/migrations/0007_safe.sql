CREATE TABLE "attempt" (
	"key" text PRIMARY KEY NOT NULL,
	"tries" integer NOT NULL,
	"last_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kiln_import" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kiln_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor_id" text,
	"from" timestamp with time zone NOT NULL,
	"to" timestamp with time zone NOT NULL,
	"added" integer NOT NULL,
	"taken_back_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "kiln_alarm" DROP CONSTRAINT "kiln_alarm_kind_known";--> statement-breakpoint
ALTER TABLE "firing_note" ADD COLUMN "command" text;--> statement-breakpoint
ALTER TABLE "firing_note" ADD COLUMN "outcome" text;--> statement-breakpoint
ALTER TABLE "kit_design" ADD COLUMN "read_with" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_version" ADD COLUMN "read_with" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "demo_hash" text;--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "kiln_import" ADD CONSTRAINT "kiln_import_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kiln_import" ADD CONSTRAINT "kiln_import_actor_id_user_id_fk" FOREIGN KEY ("actor_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "kiln_import_kiln" ON "kiln_import" USING btree ("kiln_id","at");--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD CONSTRAINT "kiln_reading_import_id_kiln_import_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."kiln_import"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "firing_note_asked" ON "firing_note" USING btree ("at") WHERE "firing_note"."outcome" = 'asked';--> statement-breakpoint
CREATE INDEX "kiln_reading_import" ON "kiln_reading" USING btree ("import_id") WHERE "kiln_reading"."import_id" is not null;--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_kind_known" CHECK ("kiln_alarm"."kind" in ('noReading', 'noSensor', 'lags', 'overshoots', 'powerLost', 'notKept'));--> statement-breakpoint
ALTER TABLE "firing_note" ADD CONSTRAINT "firing_note_command_known" CHECK ("firing_note"."command" in ('hold', 'release', 'skip', 'stop', 'start', 'resume', 'extend'));--> statement-breakpoint
ALTER TABLE "firing_note" ADD CONSTRAINT "firing_note_outcome_known" CHECK ("firing_note"."outcome" in ('asked', 'taken', 'refused', 'unknown'));