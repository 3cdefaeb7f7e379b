ALTER TABLE "glass" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "mould" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "sample" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_design" ADD COLUMN "hours_at" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_design" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_version" ADD COLUMN "hours_at" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_version" ADD COLUMN "issued_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "oven" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "schedule" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
-- When it was issued was not written down before: it was frozen to be.
UPDATE "kit_version" SET "issued_at" = "frozen_at" WHERE "issued" > 0;