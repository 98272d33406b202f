CREATE TABLE "searches" (
	"id" uuid PRIMARY KEY NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"request" jsonb,
	"done" double precision DEFAULT 0 NOT NULL,
	"total" double precision DEFAULT 1 NOT NULL,
	"combinations" double precision DEFAULT 0 NOT NULL,
	"problems" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"result" jsonb,
	"beat_at" timestamp with time zone DEFAULT now() NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE INDEX "searches_by_state" ON "searches" USING btree ("state");