CREATE TABLE "heartbeat" (
	"name" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"facts" jsonb DEFAULT '{}'::jsonb NOT NULL
);
