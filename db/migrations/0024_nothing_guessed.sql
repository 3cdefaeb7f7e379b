CREATE TABLE "kiln_lease" (
	"kiln_id" uuid PRIMARY KEY NOT NULL,
	"holder" uuid NOT NULL,
	"until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "display_reading" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kiln_id" uuid NOT NULL,
	"firing_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"c" double precision NOT NULL,
	"read_by" text NOT NULL,
	"actor_id" text
);
--> statement-breakpoint
ALTER TABLE "kiln_alarm" DROP CONSTRAINT "kiln_alarm_kind_known";--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind_known";--> statement-breakpoint
DROP INDEX "kiln_alarm_open";--> statement-breakpoint
ALTER TABLE "firing" ADD COLUMN "distrust" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "recorder" jsonb;--> statement-breakpoint
ALTER TABLE "microwave_run" ADD COLUMN "early" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln_lease" ADD CONSTRAINT "kiln_lease_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "display_reading" ADD CONSTRAINT "display_reading_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "display_reading" ADD CONSTRAINT "display_reading_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "display_reading" ADD CONSTRAINT "display_reading_actor_id_user_id_fk" FOREIGN KEY ("actor_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "display_reading_kiln" ON "display_reading" USING btree ("kiln_id","at");--> statement-breakpoint
UPDATE "kiln_alarm" SET "ended_at" = now() WHERE "ended_at" IS NULL AND EXISTS (SELECT 1 FROM "kiln_alarm" "later" WHERE "later"."kiln_id" = "kiln_alarm"."kiln_id" AND "later"."kind" = "kiln_alarm"."kind" AND "later"."ended_at" IS NULL AND ("later"."started_at", "later"."id") > ("kiln_alarm"."started_at", "kiln_alarm"."id"));--> statement-breakpoint
CREATE UNIQUE INDEX "kiln_alarm_open" ON "kiln_alarm" USING btree ("kiln_id","kind") WHERE "kiln_alarm"."ended_at" is null;--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_kind_known" CHECK ("kiln_alarm"."kind" in ('aboveLimit', 'heatsAlone', 'overshoots', 'noReading', 'unconfirmed', 'noSensor', 'sensorFault', 'lags', 'powerLost', 'notKept'));--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind_known" CHECK ("audit"."kind" in ('signedIn', 'signInRefused', 'signedOut', 'passwordChanged', 'secondFactor', 'sessionsEnded', 'disabled', 'enabled', 'forbidden', 'steered', 'exported', 'begun', 'erased', 'invited', 'joined', 'roleChanged', 'openedEarly', 'outOfService', 'invitationTakenBack', 'permissions', 'recorderConfirmed'));