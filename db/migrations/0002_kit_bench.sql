CREATE TABLE "mould" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"opening" text NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision NOT NULL,
	"depth_mm" double precision NOT NULL,
	"texture" text DEFAULT '' NOT NULL,
	"vented" boolean NOT NULL,
	"release" text NOT NULL,
	"uses_since" integer DEFAULT 0 NOT NULL,
	"max_c" double precision NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sample" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"stack_code" text NOT NULL,
	"kiln_id" uuid,
	"level" text NOT NULL,
	"peak_c" double precision NOT NULL,
	"hold_min" double precision NOT NULL,
	"fired_on" date NOT NULL,
	"result" text NOT NULL,
	"shows" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"picture" "bytea"
);
--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "width_mm" double precision;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "grade" text;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "coating" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "rough_face" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "directed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "chemistry" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "price_minor" integer;--> statement-breakpoint
ALTER TABLE "glass_family" ADD COLUMN "soak_school" text;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "currency" text DEFAULT 'EUR' NOT NULL;--> statement-breakpoint
ALTER TABLE "sample" ADD CONSTRAINT "sample_kiln_id_kiln_id_fk" FOREIGN KEY ("kiln_id") REFERENCES "public"."kiln"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sample_day" ON "sample" USING btree ("fired_on");--> statement-breakpoint
-- Kits written before this version: every part a cut of sheet laid for the first firing.
CREATE FUNCTION pg_temp.kit_v2(document jsonb) RETURNS jsonb LANGUAGE sql AS $$
	SELECT document
		|| '{"version": 2, "components": [], "palettes": [], "flat": false, "frameId": null, "sampleId": null}'
		|| jsonb_build_object('parts', (
			SELECT coalesce(jsonb_agg(part || '{"kind": "sheet", "faceDown": false, "firing": 0}' ORDER BY place), '[]')
			FROM jsonb_array_elements(document->'parts') WITH ORDINALITY AS parts(part, place)
		))
$$;--> statement-breakpoint
UPDATE "kit_design" SET "document" = pg_temp.kit_v2("document") WHERE NOT "document" ? 'version';--> statement-breakpoint
UPDATE "kit_version" SET "document" = pg_temp.kit_v2("document") WHERE NOT "document" ? 'version';
