UPDATE "firing_place" SET "x_mm" = "x_mm" + "width_mm" / 2, "y_mm" = "y_mm" + "height_mm" / 2;--> statement-breakpoint
UPDATE "firing_place" SET "turn_deg" = 90, "width_mm" = "height_mm", "height_mm" = "width_mm" WHERE "turned";--> statement-breakpoint
ALTER TABLE "firing_place" DROP COLUMN "turned";