-- The application's role owns nothing. It gets what it needs, table by table; what must never change it cannot change.
GRANT USAGE ON SCHEMA public TO oak_app;
--> statement-breakpoint
GRANT SELECT ON ALL TABLES IN SCHEMA public TO oak_app;
--> statement-breakpoint
GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO oak_app;
--> statement-breakpoint
GRANT INSERT ON audit, login_attempts, clients, visits, consultations, consents, readings, meter_readings, client_links, plans, visit_events, seals, seal_items, amendments, follow_ups, home_use, imports TO oak_app;
--> statement-breakpoint
GRANT UPDATE ON clients, visits, plans TO oak_app;
--> statement-breakpoint
GRANT UPDATE (done_at) ON follow_ups TO oak_app;
--> statement-breakpoint
GRANT UPDATE (expires_at, submitted_at, answers, medicines) ON client_links TO oak_app;
--> statement-breakpoint
GRANT UPDATE (remaining_hundredths_ml, opened_on) ON lots TO oak_app;
--> statement-breakpoint
GRANT UPDATE (ready) ON devices TO oak_app;
--> statement-breakpoint
GRANT UPDATE (session_version, pin_hash) ON staff TO oak_app;
--> statement-breakpoint
GRANT DELETE ON login_attempts TO oak_app;
--> statement-breakpoint
CREATE FUNCTION plans_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.version > 0 AND current_user = 'oak_app' THEN RAISE EXCEPTION 'a frozen plan is not changed' USING ERRCODE = 'check_violation'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER plans_frozen BEFORE UPDATE ON plans FOR EACH ROW EXECUTE FUNCTION plans_frozen();
--> statement-breakpoint
CREATE FUNCTION visits_sealed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.status = 'sealed' AND current_user = 'oak_app' AND (NEW.status <> 'sealed' OR NEW.record_text <> OLD.record_text OR NEW.client_id <> OLD.client_id OR NEW.starts_at <> OLD.starts_at) THEN
    RAISE EXCEPTION 'a sealed visit is not changed' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER visits_sealed BEFORE UPDATE ON visits FOR EACH ROW EXECUTE FUNCTION visits_sealed();
--> statement-breakpoint
CREATE FUNCTION no_taps_after_seal() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM seals WHERE visit_id = NEW.visit_id) THEN RAISE EXCEPTION 'the visit is sealed' USING ERRCODE = 'check_violation'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER no_taps_after_seal BEFORE INSERT ON visit_events FOR EACH ROW EXECUTE FUNCTION no_taps_after_seal();
--> statement-breakpoint
-- A form that was sent in is not changed afterwards by the application.
CREATE FUNCTION forms_sent() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.submitted_at IS NOT NULL AND current_user = 'oak_app' THEN RAISE EXCEPTION 'a form that was sent in is not changed' USING ERRCODE = 'check_violation'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER forms_sent BEFORE UPDATE ON client_links FOR EACH ROW EXECUTE FUNCTION forms_sent();
--> statement-breakpoint
-- Erasing on request, with what meters gave and what the client sent in: content goes, commitments and the chain stay. Refused while the law keeps the record.
CREATE FUNCTION erase_client(who uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  last_visit timestamptz;
  years integer;
BEGIN
  SELECT retention_years INTO years FROM practice;
  SELECT max(v.starts_at) INTO last_visit FROM visits v JOIN seals s ON s.visit_id = v.id WHERE v.client_id = who;
  IF last_visit IS NOT NULL AND last_visit + make_interval(years => years) > now() THEN
    RAISE EXCEPTION 'retained until %', to_char(last_visit + make_interval(years => years), 'YYYY-MM-DD') USING ERRCODE = 'P0001';
  END IF;
  UPDATE clients SET name = 'Erased', born = NULL, phone = NULL, email = NULL, work = NULL, medicines = '', notes = '', erased_at = now(), version = version + 1 WHERE id = who;
  UPDATE consultations SET answers = NULL, medicines = NULL WHERE client_id = who;
  UPDATE consents SET strokes = NULL, name = NULL WHERE client_id = who;
  UPDATE readings SET zones = NULL WHERE client_id = who;
  UPDATE meter_readings SET taken = NULL, median = NULL, spread = NULL WHERE client_id = who;
  UPDATE client_links SET answers = NULL, medicines = NULL, expires_at = now() WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE plans SET steps = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visit_events SET body = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE seal_items SET content = NULL, salt = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE amendments SET before = NULL, after = NULL, reason = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE follow_ups SET reason = 'erased' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visits SET record_text = '', aims = '[]' WHERE client_id = who;
  UPDATE imports SET document = NULL WHERE client_id = who;
  DELETE FROM home_use WHERE client_id = who;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION erase_client(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION erase_client(uuid) TO oak_app;
