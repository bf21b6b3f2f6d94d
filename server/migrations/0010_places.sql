ALTER TABLE "complaints" DROP COLUMN "region";--> statement-breakpoint
ALTER TABLE "complaints" DROP COLUMN "side";