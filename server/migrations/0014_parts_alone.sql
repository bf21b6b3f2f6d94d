DROP TABLE "cockpit_parts" CASCADE;--> statement-breakpoint
DROP TABLE "pedals" CASCADE;--> statement-breakpoint
DROP TABLE "saddles" CASCADE;--> statement-breakpoint
ALTER TABLE "studios" DROP COLUMN "pedals_loaded_at";--> statement-breakpoint
ALTER TABLE "studios" DROP COLUMN "saddles_loaded_at";--> statement-breakpoint
ALTER TABLE "studios" DROP COLUMN "cockpit_loaded_at";