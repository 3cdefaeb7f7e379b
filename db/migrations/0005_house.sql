CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
DROP INDEX "firing_kiln";--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "glass_family" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_design" ADD COLUMN "name" text GENERATED ALWAYS AS ((document->>'name')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_version" ADD COLUMN "issued" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_version" ADD COLUMN "name" text GENERATED ALWAYS AS ((document->>'name')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "mould" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "oven" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "piece" ADD COLUMN "firing_id" uuid GENERATED ALWAYS AS (((journey->>'firingId')::uuid)) STORED;--> statement-breakpoint
ALTER TABLE "piece" ADD COLUMN "level" text GENERATED ALWAYS AS ((journey->>'level')) STORED;--> statement-breakpoint
ALTER TABLE "piece" ADD COLUMN "thickest_mm" double precision GENERATED ALWAYS AS (((journey->'asMade'->>'thickestMm')::double precision)) STORED;--> statement-breakpoint
ALTER TABLE "piece" ADD COLUMN "thinnest_mm" double precision GENERATED ALWAYS AS (((journey->'asMade'->>'thinnestMm')::double precision)) STORED;--> statement-breakpoint
ALTER TABLE "piece" ADD COLUMN "effective_mm" double precision;--> statement-breakpoint
ALTER TABLE "sample" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "schedule" ADD COLUMN "name" text GENERATED ALWAYS AS ((document->>'name')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "schedule_version" ADD COLUMN "name" text GENERATED ALWAYS AS ((document->>'name')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "firing_finished" ON "firing" USING btree ("finished_at");--> statement-breakpoint
CREATE INDEX "firing_schedule" ON "firing" USING btree ("schedule_version_id");--> statement-breakpoint
CREATE INDEX "firing_place_unjudged" ON "firing_place" USING btree ("firing_id") WHERE "firing_place"."judged_level" is null;--> statement-breakpoint
CREATE INDEX "glass_name_trgm" ON "glass" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "kiln_name_trgm" ON "kiln" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "kit_design_name_trgm" ON "kit_design" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "piece_firing" ON "piece" USING btree ("firing_id");--> statement-breakpoint
CREATE INDEX "piece_code_trgm" ON "piece" USING gin ("code" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "student_name_trgm" ON "student" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "firing_kiln" ON "firing" USING btree ("kiln_id","number");--> statement-breakpoint
ALTER TABLE "firing" ADD CONSTRAINT "firing_state_known" CHECK ("firing"."state" in ('planned', 'running', 'opened', 'cancelled'));--> statement-breakpoint
ALTER TABLE "firing" ADD CONSTRAINT "firing_level_known" CHECK ("firing"."level" in ('slump', 'firePolish', 'sinter', 'tack', 'contour', 'full', 'deep'));--> statement-breakpoint
ALTER TABLE "firing_place" ADD CONSTRAINT "firing_place_expected_known" CHECK ("firing_place"."expected_level" in ('slump', 'firePolish', 'sinter', 'tack', 'contour', 'full', 'deep'));--> statement-breakpoint
ALTER TABLE "firing_place" ADD CONSTRAINT "firing_place_judged_known" CHECK ("firing_place"."judged_level" in ('slump', 'firePolish', 'sinter', 'tack', 'contour', 'full', 'deep', 'none'));--> statement-breakpoint
ALTER TABLE "firing_place" ADD CONSTRAINT "firing_place_next_known" CHECK ("firing_place"."next" in ('ready', 'coldWork', 'nextFiring', 'refire', 'spoiled'));--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_form_known" CHECK ("glass"."form" in ('sheet', 'frit', 'stringer', 'ribbon', 'cane'));--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_grade_known" CHECK ("glass"."grade" in ('powder', 'fine', 'medium', 'coarse'));--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_opacity_known" CHECK ("glass"."opacity" in ('clear', 'transparent', 'opalescent'));--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_tone_known" CHECK ("glass"."tone" in ('dark', 'white', 'other'));--> statement-breakpoint
ALTER TABLE "glass" ADD CONSTRAINT "glass_coating_known" CHECK ("glass"."coating" in ('none', 'iridescent', 'dichroic'));--> statement-breakpoint
ALTER TABLE "glass_family" ADD CONSTRAINT "glass_family_soak_known" CHECK ("glass_family"."soak_school" in ('lower', 'atAnnealingPoint'));--> statement-breakpoint
ALTER TABLE "kiln" ADD CONSTRAINT "kiln_kind_known" CHECK ("kiln"."kind" in ('electric', 'microwaveBlock'));--> statement-breakpoint
ALTER TABLE "kiln" ADD CONSTRAINT "kiln_door_known" CHECK ("kiln"."door_side" in ('front', 'top'));--> statement-breakpoint
ALTER TABLE "kiln" ADD CONSTRAINT "kiln_shelf_known" CHECK ("kiln"."shelf_shape" in ('rectangle', 'round', 'octagon'));--> statement-breakpoint
ALTER TABLE "kiln_alarm" ADD CONSTRAINT "kiln_alarm_kind_known" CHECK ("kiln_alarm"."kind" in ('noReading', 'noSensor', 'lags', 'overshoots', 'powerLost'));--> statement-breakpoint
ALTER TABLE "kiln_lesson" ADD CONSTRAINT "kiln_lesson_what_known" CHECK ("kiln_lesson"."what" in ('log', 'offset'));--> statement-breakpoint
ALTER TABLE "kiln_reading" ADD CONSTRAINT "kiln_reading_status_known" CHECK ("kiln_reading"."status" in ('idle', 'running', 'held', 'complete', 'powerLost', 'sensorOpen'));--> statement-breakpoint
ALTER TABLE "microwave_run" ADD CONSTRAINT "microwave_run_wanted_known" CHECK ("microwave_run"."wanted" in ('dull', 'glowing', 'edgesSoft', 'rounded', 'flat'));--> statement-breakpoint
ALTER TABLE "microwave_run" ADD CONSTRAINT "microwave_run_outcome_known" CHECK ("microwave_run"."outcome" in ('dull', 'glowing', 'edgesSoft', 'rounded', 'flat'));--> statement-breakpoint
ALTER TABLE "mould" ADD CONSTRAINT "mould_kind_known" CHECK ("mould"."kind" in ('dish', 'drape', 'frame', 'ring', 'texture'));--> statement-breakpoint
ALTER TABLE "mould" ADD CONSTRAINT "mould_opening_known" CHECK ("mould"."opening" in ('rectangle', 'round'));--> statement-breakpoint
ALTER TABLE "mould" ADD CONSTRAINT "mould_release_known" CHECK ("mould"."release" in ('washed', 'papered', 'bare'));--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_kind_known" CHECK ("piece"."kind" in ('student', 'lot', 'sample', 'outside'));--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_state_known" CHECK ("piece"."state" in ('new', 'issued', 'queued', 'placed', 'inKiln', 'coldWork', 'ready', 'collected', 'spoiled'));--> statement-breakpoint
ALTER TABLE "piece" ADD CONSTRAINT "piece_level_known" CHECK ("piece"."level" in ('slump', 'firePolish', 'sinter', 'tack', 'contour', 'full', 'deep'));--> statement-breakpoint
ALTER TABLE "sample" ADD CONSTRAINT "sample_level_known" CHECK ("sample"."level" in ('slump', 'firePolish', 'sinter', 'tack', 'contour', 'full', 'deep'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_cooling_known" CHECK ("studio"."cooling_school" in ('usual', 'cautious'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_soak_known" CHECK ("studio"."soak_school" in ('lower', 'atAnnealingPoint'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_heat_known" CHECK ("studio"."heat_school" in ('hotterShorter', 'usual', 'coolerLonger'));--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_dots_known" CHECK ("studio"."dot_school" in ('asOthers', 'straightUp'));--> statement-breakpoint
ALTER TABLE "user" ADD CONSTRAINT "user_role_known" CHECK ("user"."role" in ('assistant', 'instructor'));--> statement-breakpoint
UPDATE "kit_version" SET "issued" = (SELECT count(*) FROM "piece" WHERE "piece"."kit_version_id" = "kit_version"."id");
