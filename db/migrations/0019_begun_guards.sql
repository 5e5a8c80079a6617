GRANT UPDATE (recovery_hashes) ON staff TO oak_app;
--> statement-breakpoint
-- What was treated before this was asked began with its first tap.
UPDATE visits SET begun_at = began.at FROM (
  SELECT visit_id, to_timestamp(min(at) / 1000.0) AS at FROM visit_events WHERE body->>'kind' = 'started' GROUP BY visit_id
) began WHERE began.visit_id = visits.id;
--> statement-breakpoint
-- A plan that was begun with is not changed; that a colleague has seen it is written beside it, once.
CREATE OR REPLACE FUNCTION plans_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.version > 0 AND current_user = 'oak_app' AND (
    OLD.countersigned_by IS NOT NULL
    OR to_jsonb(NEW) - 'countersigned_by' - 'countersigned_hash' - 'countersigned_at' <> to_jsonb(OLD) - 'countersigned_by' - 'countersigned_hash' - 'countersigned_at'
  ) THEN RAISE EXCEPTION 'a frozen plan is not changed' USING ERRCODE = 'check_violation'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
-- When a treatment began is not changed once its record is sealed.
CREATE OR REPLACE FUNCTION visits_sealed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.status = 'sealed' AND current_user = 'oak_app' AND (NEW.status <> 'sealed' OR NEW.record_text <> OLD.record_text OR NEW.client_id <> OLD.client_id OR NEW.starts_at <> OLD.starts_at OR NEW.begun_at IS DISTINCT FROM OLD.begun_at) THEN
    RAISE EXCEPTION 'a sealed visit is not changed' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
-- Whoever was erased takes nothing more in, whichever way it comes.
CREATE FUNCTION nothing_of_the_erased() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'oak_app' AND EXISTS (SELECT 1 FROM visits v JOIN clients c ON c.id = v.client_id WHERE v.id = NEW.visit_id AND c.erased_at IS NOT NULL) THEN
    RAISE EXCEPTION 'the client was erased' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['consultations', 'consents', 'readings', 'meter_readings', 'client_links', 'plans', 'visit_events', 'lifts', 'half_faces', 'photographs', 'follow_ups', 'amendments'] LOOP
    EXECUTE format('CREATE TRIGGER nothing_of_the_erased BEFORE INSERT ON %I FOR EACH ROW EXECUTE FUNCTION nothing_of_the_erased()', name);
  END LOOP;
END $$;
--> statement-breakpoint
CREATE FUNCTION nobody_erased() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'oak_app' AND EXISTS (SELECT 1 FROM clients WHERE id = NEW.client_id AND erased_at IS NOT NULL) THEN
    RAISE EXCEPTION 'the client was erased' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['withdrawals', 'patch_tests', 'home_use', 'imports'] LOOP
    EXECUTE format('CREATE TRIGGER nobody_erased BEFORE INSERT ON %I FOR EACH ROW EXECUTE FUNCTION nobody_erased()', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- Why a plan was made anew is a client's own story too: it goes with the file, and what was asked for.
CREATE FUNCTION erase_reasons() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  UPDATE plans SET reason = 'erased', unsigned = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  UPDATE visits SET named = '[]', make_up = NULL WHERE client_id = NEW.id;
  RETURN NEW;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION erase_reasons() FROM PUBLIC;
--> statement-breakpoint
CREATE TRIGGER erase_reasons AFTER UPDATE OF erased_at ON clients FOR EACH ROW WHEN (NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_reasons();
--> statement-breakpoint
-- The law keeps a record from the day the treatment was, not from the day it was booked for.
DO $$
DECLARE body text;
BEGIN
  SELECT pg_get_functiondef('erase_client(uuid)'::regprocedure) INTO body;
  body := replace(body, 'SELECT max(starts_at) INTO last_visit', 'SELECT max(coalesce(begun_at, starts_at)) INTO last_visit');
  IF position('coalesce(begun_at' IN body) = 0 THEN RAISE EXCEPTION 'erase_client is not as it was'; END IF;
  EXECUTE body;
END $$;
