ALTER TABLE "ledger" ADD COLUMN "pace" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "pace" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "overruled" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_pace" CHECK ("ledger"."pace" in ('settled', 'new'));--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_pace" CHECK ("visits"."pace" in ('settled', 'new'));