ALTER TABLE "ledger" DROP CONSTRAINT "ledger_pace";--> statement-breakpoint
ALTER TABLE "visits" DROP CONSTRAINT "visits_pace";--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_pace" CHECK ("ledger"."pace" in ('settled', 'new', 'careful'));--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_pace" CHECK ("visits"."pace" in ('settled', 'new', 'careful'));