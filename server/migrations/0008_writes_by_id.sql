ALTER TABLE "complaints" ADD COLUMN "written_by" uuid;--> statement-breakpoint
ALTER TABLE "ratings" ADD COLUMN "written_by" uuid;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "written_by" uuid;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "written_by" uuid;