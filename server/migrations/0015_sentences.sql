-- What a change meant is a message from here on. The sentences of before are text in it; those with a
-- length in them are written anew after the migrations.
ALTER TABLE "ledger" ALTER COLUMN "reason" SET DATA TYPE jsonb USING to_jsonb("reason");--> statement-breakpoint
ALTER TABLE "ledger" ALTER COLUMN "later" SET DATA TYPE jsonb USING to_jsonb("later");
