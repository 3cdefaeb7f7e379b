ALTER TABLE "kiln_import" ADD COLUMN "lines" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln_import" ADD COLUMN "written" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "kiln_import" ADD COLUMN "wrote_at" timestamp with time zone;