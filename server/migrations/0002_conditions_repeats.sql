ALTER TABLE "readings" ADD COLUMN "condition" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "repeats" double precision[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_visit_id_key_side_pk";--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_visit_id_key_side_condition_pk" PRIMARY KEY("visit_id","key","side","condition");
