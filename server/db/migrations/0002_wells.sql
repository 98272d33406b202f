CREATE TABLE "wells" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"title" text NOT NULL,
	"corner_key" text NOT NULL,
	"corner" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
