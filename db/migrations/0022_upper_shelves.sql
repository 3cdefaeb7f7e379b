ALTER TABLE "kiln" ADD COLUMN "upper_shelves" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "firing_place" ADD COLUMN "shelf" integer DEFAULT 0 NOT NULL;