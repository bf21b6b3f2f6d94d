-- The ledger is append-only: rows are never edited, and leave only with their visit.
CREATE FUNCTION ledger_is_append_only() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND pg_trigger_depth() > 1 THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION 'the ledger is append-only';
END
$$;
--> statement-breakpoint
CREATE TRIGGER ledger_append_only BEFORE UPDATE OR DELETE ON "ledger" FOR EACH ROW EXECUTE FUNCTION ledger_is_append_only();
