ALTER TABLE "studio" ADD COLUMN "warm_up_school" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_warm_up_known" CHECK ("studio"."warm_up_school" in ('usual', 'cautious'));--> statement-breakpoint
-- What was kept before there were two schools was made by the slower one.
UPDATE "schedule" SET "document" = jsonb_set("document", '{schools,warmUp}', '"cautious"') WHERE NOT "document"->'schools' ? 'warmUp';--> statement-breakpoint
UPDATE "schedule_version" SET "document" = jsonb_set("document", '{schools,warmUp}', '"cautious"') WHERE NOT "document"->'schools' ? 'warmUp';--> statement-breakpoint
-- No level is told from thickness alone any more.
UPDATE "sample" SET "shows" = "shows" - 'other-level' WHERE "shows" ? 'other-level';
