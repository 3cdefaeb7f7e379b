CREATE TABLE "audit" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "audit_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"actor_id" text,
	"actor_name" text,
	"address" text,
	"about" text NOT NULL,
	CONSTRAINT "audit_kind_known" CHECK ("audit"."kind" in ('signedIn', 'signInRefused', 'signedOut', 'passwordChanged', 'secondFactor', 'sessionsEnded', 'disabled', 'enabled', 'forbidden', 'steered', 'exported'))
);
--> statement-breakpoint
CREATE TABLE "second_factor" (
	"user_id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"confirmed_at" timestamp with time zone,
	"last_step" bigint DEFAULT 0 NOT NULL,
	"recovery" text[] DEFAULT '{}' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "disabled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "piece_event" ADD COLUMN "actor_name" text;--> statement-breakpoint
ALTER TABLE "second_factor" ADD CONSTRAINT "second_factor_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at");--> statement-breakpoint
create function audit_is_kept() returns trigger language plpgsql as $$
begin
	raise exception 'what happened is only ever added to';
end $$;--> statement-breakpoint
create trigger audit_is_kept before update or delete on "audit" for each row execute function audit_is_kept();--> statement-breakpoint
create trigger audit_is_not_emptied before truncate on "audit" for each statement execute function audit_is_kept();
