CREATE TABLE "shop_terms" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"terms" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
