ALTER TABLE "visits" DROP COLUMN "cleat_school";--> statement-breakpoint
ALTER TABLE "visits" DROP COLUMN "pedal_weights";--> statement-breakpoint
ALTER TABLE "visits" DROP COLUMN "stance_by";