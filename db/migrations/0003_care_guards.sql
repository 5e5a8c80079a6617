GRANT SELECT, INSERT ON withdrawals, patch_tests, patch_reads, house_rules, lifts, half_faces TO oak_app;
--> statement-breakpoint
GRANT UPDATE (ended_at) ON house_rules TO oak_app;
--> statement-breakpoint
GRANT UPDATE (allows) ON practice TO oak_app;
--> statement-breakpoint
GRANT UPDATE (licences, licence_until) ON staff TO oak_app;
--> statement-breakpoint
-- Erasing on request, with all that was read, tested, set aside and sent in: content goes, commitments and the chain stay. Refused while the law keeps the record.
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
  UPDATE clients SET name = 'Erased', born = NULL, phone = NULL, email = NULL, work = NULL, medicines = '', notes = '', preferences = '{}', erased_at = now(), version = version + 1 WHERE id = who;
  UPDATE consultations SET answers = NULL, medicines = NULL WHERE client_id = who;
  UPDATE consents SET strokes = NULL, name = NULL WHERE client_id = who;
  UPDATE readings SET zones = NULL, whole = NULL WHERE client_id = who;
  UPDATE meter_readings SET taken = NULL, median = NULL, spread = NULL WHERE client_id = who;
  UPDATE client_links SET answers = NULL, medicines = NULL, expires_at = now() WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE plans SET steps = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visit_events SET body = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE seal_items SET content = NULL, salt = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE amendments SET before = NULL, after = NULL, reason = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE follow_ups SET reason = 'erased' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visits SET record_text = '', aims = '[]' WHERE client_id = who;
  UPDATE imports SET document = NULL WHERE client_id = who;
  UPDATE lifts SET word = NULL, reason = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE half_faces SET grades = NULL, light = '' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  DELETE FROM patch_reads WHERE test_id IN (SELECT id FROM patch_tests WHERE client_id = who);
  DELETE FROM patch_tests WHERE client_id = who;
  DELETE FROM home_use WHERE client_id = who;
END $$;
