ALTER TABLE "stock_item" DROP CONSTRAINT "stock_item_kind_known";--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "level" text DEFAULT 'full' NOT NULL;--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "made_of" text;--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "kit_version_id" uuid;--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "palette_id" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "component_lot" ADD COLUMN "component_id" text;--> statement-breakpoint
ALTER TABLE "cut_run" ADD COLUMN "from_drawer" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "stock_item" ADD COLUMN "made_of" text;--> statement-breakpoint
ALTER TABLE "component_lot" ADD CONSTRAINT "component_lot_kit_version_id_kit_version_id_fk" FOREIGN KEY ("kit_version_id") REFERENCES "public"."kit_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_item" ADD CONSTRAINT "stock_item_kind_known" CHECK ("stock_item"."kind" in ('sheet', 'offcut', 'grains', 'thread', 'finding', 'paper', 'precut', 'component', 'apart'));