ALTER TABLE "mould" DROP CONSTRAINT "mould_kind_known";--> statement-breakpoint
ALTER TABLE "glass" ADD COLUMN "fused" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "mould" ADD COLUMN "renew_after" integer;--> statement-breakpoint
ALTER TABLE "mould" ADD CONSTRAINT "mould_kind_known" CHECK ("mould"."kind" in ('dish', 'drape', 'stand', 'frame', 'ring', 'texture'));