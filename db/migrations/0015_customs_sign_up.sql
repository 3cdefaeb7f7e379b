CREATE TABLE "sign_up" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"course_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"adult" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"kit_ids" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"state" text NOT NULL,
	"student_id" uuid,
	CONSTRAINT "sign_up_course_id_email_unique" UNIQUE("course_id","email"),
	CONSTRAINT "sign_up_state_known" CHECK ("sign_up"."state" in ('asked', 'waiting', 'confirmed'))
);
--> statement-breakpoint
CREATE TABLE "cut_event" (
	"id" uuid PRIMARY KEY NOT NULL,
	"cut_run_id" uuid NOT NULL,
	"line_key" text NOT NULL,
	"more" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor_name" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "sign_up_key" text;--> statement-breakpoint
ALTER TABLE "course" ADD COLUMN "small_kits" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "course_kit" ADD COLUMN "is_large" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "studio" ADD COLUMN "customs" jsonb DEFAULT '{"spares":{"share":0.1,"least":2},"sheet":{"widthMm":500,"heightMm":430},"dryMin":{"whiteGlue":60,"thinnedWhiteGlue":1440,"lacquer":30,"quickGlue":10,"none":0},"week":[{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},{"from":"08:00","to":"21:00"},null],"assistantsMay":{"load":true,"open":true},"quiet":null,"aloneHours":null,"paper":"a4","tariff":{"kwhMinor":null,"shelfHourMinor":null},"usualHours":{"queue":36,"firing":20,"judge":12,"coldWork":24,"wrap":4},"cautions":{"kits":"","cut":"","bench":"","dry":"","load":"","fire":"","open":"","handOver":""}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sign_up" ADD CONSTRAINT "sign_up_course_id_course_id_fk" FOREIGN KEY ("course_id") REFERENCES "public"."course"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_up" ADD CONSTRAINT "sign_up_student_id_student_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."student"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cut_event" ADD CONSTRAINT "cut_event_cut_run_id_cut_run_id_fk" FOREIGN KEY ("cut_run_id") REFERENCES "public"."cut_run"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sign_up_student" ON "sign_up" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "cut_event_run" ON "cut_event" USING btree ("cut_run_id","line_key");--> statement-breakpoint
ALTER TABLE "course" ADD CONSTRAINT "course_sign_up_key_unique" UNIQUE("sign_up_key");