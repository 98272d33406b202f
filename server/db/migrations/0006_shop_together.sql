CREATE TABLE "job_changes" (
	"job_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"changes" jsonb NOT NULL,
	"save" text NOT NULL,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "job_changes_job_id_revision_pk" PRIMARY KEY("job_id","revision"),
	CONSTRAINT "job_changes_by_save" UNIQUE("job_id","save")
);
--> statement-breakpoint
CREATE TABLE "job_lists" (
	"job_id" uuid NOT NULL,
	"name" text NOT NULL,
	"content" "bytea" NOT NULL,
	CONSTRAINT "job_lists_job_id_name_pk" PRIMARY KEY("job_id","name")
);
--> statement-breakpoint
ALTER TABLE "catalogue" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "catalogue" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "summary" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "changed_by" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "wells" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "job_changes" ADD CONSTRAINT "job_changes_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_lists" ADD CONSTRAINT "job_lists_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;