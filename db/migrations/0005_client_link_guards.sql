GRANT SELECT, INSERT ON client_links TO oak_app;
--> statement-breakpoint
GRANT UPDATE (expires_at, submitted_at, answers, medicines) ON client_links TO oak_app;
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
CREATE OR REPLACE FUNCTION erase_client(who uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
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
