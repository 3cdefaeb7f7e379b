CREATE TABLE "component_lot" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"glass_id" text,
	"size_mm" double precision,
	"count" integer NOT NULL,
	"wanted_at" timestamp with time zone NOT NULL,
	"session_id" uuid,
	"fired_at" timestamp with time zone,
	"made" integer
);
--> statement-breakpoint
CREATE TABLE "cut_plan" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"glass_id" text NOT NULL,
	"document" jsonb NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"actor_name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cut_plan_run" (
	"plan_id" uuid NOT NULL,
	"cut_run_id" uuid NOT NULL,
	"glass_id" text NOT NULL,
	CONSTRAINT "cut_plan_run_cut_run_id_glass_id_pk" PRIMARY KEY("cut_run_id","glass_id")
);
--> statement-breakpoint
CREATE TABLE "kit_bag" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"serial" integer GENERATED ALWAYS AS IDENTITY (sequence name "kit_bag_serial_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"cut_run_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"packed_at" timestamp with time zone,
	"packed_by" text,
	"taken" jsonb DEFAULT '{}'::jsonb NOT NULL,
	CONSTRAINT "kit_bag_serial_unique" UNIQUE("serial"),
	CONSTRAINT "kit_bag_cut_run_id_number_unique" UNIQUE("cut_run_id","number")
);
--> statement-breakpoint
CREATE TABLE "kit_bag_line" (
	"bag_id" uuid NOT NULL,
	"line_key" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor_name" text NOT NULL,
	CONSTRAINT "kit_bag_line_bag_id_line_key_pk" PRIMARY KEY("bag_id","line_key")
);
--> statement-breakpoint
CREATE TABLE "stock_item" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"retired" boolean DEFAULT false NOT NULL,
	"kind" text NOT NULL,
	"glass_id" text,
	"name" text NOT NULL,
	"width_mm" double precision,
	"height_mm" double precision,
	"size_mm" double precision,
	"place" text NOT NULL,
	"low" double precision,
	"buy_amount" double precision NOT NULL,
	"price_minor" integer,
	"supplier" text NOT NULL,
	"from_item_id" uuid,
	CONSTRAINT "stock_item_kind_known" CHECK ("stock_item"."kind" in ('sheet', 'offcut', 'grains', 'thread', 'finding', 'paper', 'component', 'apart'))
);
--> statement-breakpoint
CREATE TABLE "stock_record" (
	"id" uuid PRIMARY KEY NOT NULL,
	"item_id" uuid NOT NULL,
	"reason" text NOT NULL,
	"change" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor_name" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "stock_record_reason_known" CHECK ("stock_record"."reason" in ('bought', 'taken', 'returned', 'broke', 'counted'))
);
--> statement-breakpoint
ALTER TABLE "cut_event" ADD COLUMN "broke" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "cut_run" ADD COLUMN "spares" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "cut_tick" ADD COLUMN "broken" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "component_lot" ADD CONSTRAINT "component_lot_glass_id_glass_id_fk" FOREIGN KEY ("glass_id") REFERENCES "public"."glass"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "component_lot" ADD CONSTRAINT "component_lot_session_id_class_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."class_session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_plan" ADD CONSTRAINT "cut_plan_glass_id_glass_id_fk" FOREIGN KEY ("glass_id") REFERENCES "public"."glass"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_plan_run" ADD CONSTRAINT "cut_plan_run_plan_id_cut_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."cut_plan"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_plan_run" ADD CONSTRAINT "cut_plan_run_cut_run_id_cut_run_id_fk" FOREIGN KEY ("cut_run_id") REFERENCES "public"."cut_run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_bag" ADD CONSTRAINT "kit_bag_cut_run_id_cut_run_id_fk" FOREIGN KEY ("cut_run_id") REFERENCES "public"."cut_run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kit_bag_line" ADD CONSTRAINT "kit_bag_line_bag_id_kit_bag_id_fk" FOREIGN KEY ("bag_id") REFERENCES "public"."kit_bag"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_item" ADD CONSTRAINT "stock_item_glass_id_glass_id_fk" FOREIGN KEY ("glass_id") REFERENCES "public"."glass"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_item" ADD CONSTRAINT "stock_item_from_item_id_stock_item_id_fk" FOREIGN KEY ("from_item_id") REFERENCES "public"."stock_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_record" ADD CONSTRAINT "stock_record_item_id_stock_item_id_fk" FOREIGN KEY ("item_id") REFERENCES "public"."stock_item"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "component_lot_open" ON "component_lot" USING btree ("fired_at");--> statement-breakpoint
CREATE INDEX "cut_plan_run_plan" ON "cut_plan_run" USING btree ("plan_id");--> statement-breakpoint
CREATE INDEX "stock_item_glass" ON "stock_item" USING btree ("glass_id");--> statement-breakpoint
CREATE INDEX "stock_record_item" ON "stock_record" USING btree ("item_id","change");--> statement-breakpoint
CREATE INDEX "stock_record_at" ON "stock_record" USING btree ("at");--> statement-breakpoint
INSERT INTO "kit_bag" ("cut_run_id", "number") SELECT "id", generate_series(1, "kits") FROM "cut_run";