ALTER TABLE "cut_run" DROP CONSTRAINT "cut_run_session_id_kit_version_id_unique";--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "firing_id" uuid;--> statement-breakpoint
ALTER TABLE "cut_run" ADD COLUMN "palette_id" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "component_lot" ADD CONSTRAINT "component_lot_firing_id_firing_id_fk" FOREIGN KEY ("firing_id") REFERENCES "public"."firing"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "component_lot_firing" ON "component_lot" USING btree ("firing_id");--> statement-breakpoint
ALTER TABLE "cut_run" ADD CONSTRAINT "cut_run_session_id_kit_version_id_palette_id_unique" UNIQUE("session_id","kit_version_id","palette_id");