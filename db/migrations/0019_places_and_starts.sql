ALTER TABLE "firing" ADD COLUMN "starts_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "firing_place" ADD COLUMN "turn_deg" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "firing_place" ADD COLUMN "outline" jsonb;--> statement-breakpoint
ALTER TABLE "firing_place" ADD COLUMN "loaded_at" timestamp with time zone;