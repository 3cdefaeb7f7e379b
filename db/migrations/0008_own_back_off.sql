DROP TABLE "rate_limit" CASCADE;--> statement-breakpoint
UPDATE "user" SET "demo_hash" = "account"."password" FROM "account" WHERE "account"."user_id" = "user"."id" AND "user"."demo_password";
