-- 0022 was edited after it had been committed: a book that was brought on in between lacks what came later. May be run on any.
ALTER TABLE "component_lot" ADD COLUMN IF NOT EXISTS "on_family_id" text;--> statement-breakpoint
DO $$ BEGIN
	IF NOT EXISTS (SELECT 1 FROM pg_constraint WHERE conname = 'component_lot_on_family_id_glass_family_id_fk') THEN
		ALTER TABLE "component_lot" ADD CONSTRAINT "component_lot_on_family_id_glass_family_id_fk" FOREIGN KEY ("on_family_id") REFERENCES "public"."glass_family"("id") ON DELETE no action ON UPDATE no action;
	END IF;
END $$;--> statement-breakpoint
ALTER TABLE "studio" ALTER COLUMN "customs" SET DEFAULT '{"spares":{"share":0.1,"least":2},"sheet":{"widthMm":500,"heightMm":430},"dryMin":{"whiteGlue":60,"thinnedWhiteGlue":1440,"lacquer":30,"quickGlue":10,"none":0},"week":[{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},null],"assistantsMay":{"load":true,"open":true},"quiet":null,"aloneHours":null,"paper":"a4","tariff":{"kwhMinor":null,"shelfHourMinor":null},"planWishes":{"promises":"usual","together":"usual","firings":"usual","gentle":"usual","soon":"usual"},"mixFamilies":false,"usualHours":{"queue":36,"firing":20,"judge":12,"coldWork":24,"wrap":4},"cautions":{"kits":"","cut":"","bench":"","dry":"","load":"","fire":"","open":"","handOver":""}}'::jsonb;--> statement-breakpoint
UPDATE "studio" SET "customs" = jsonb_set("customs", '{mixFamilies}', 'false') WHERE NOT "customs" ? 'mixFamilies';
