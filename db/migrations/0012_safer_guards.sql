GRANT SELECT, INSERT, DELETE ON device_parts TO oak_app;
--> statement-breakpoint
GRANT UPDATE (name, pieces, reorder_pieces) ON device_parts TO oak_app;
--> statement-breakpoint
GRANT UPDATE (room_ids) ON devices TO oak_app;
--> statement-breakpoint
GRANT UPDATE (lock_minutes, owners_second_factor, card_text) ON practice TO oak_app;
--> statement-breakpoint
GRANT UPDATE (licence_notes, totp_secret, totp_step) ON staff TO oak_app;
--> statement-breakpoint
GRANT SELECT, UPDATE (at) ON pulse TO oak_app;
--> statement-breakpoint
INSERT INTO pulse DEFAULT VALUES;
--> statement-breakpoint
-- A plan that was begun with is not changed; that a colleague has seen it is written beside it, once.
CREATE OR REPLACE FUNCTION plans_frozen() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.version > 0 AND current_user = 'oak_app' AND (
    OLD.countersigned_by IS NOT NULL
    OR to_jsonb(NEW) - 'countersigned_by' - 'countersigned_hash' <> to_jsonb(OLD) - 'countersigned_by' - 'countersigned_hash'
  ) THEN RAISE EXCEPTION 'a frozen plan is not changed' USING ERRCODE = 'check_violation'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
-- Who sealed and when is the house's own word and names no client: it stays when a client is erased.
CREATE OR REPLACE FUNCTION erase_client(who uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  last_visit timestamptz;
  years integer;
BEGIN
  SELECT retention_years INTO years FROM practice;
  SELECT max(starts_at) INTO last_visit FROM visits WHERE client_id = who AND NOT imported AND status IN ('treating', 'closing', 'sealed');
  IF last_visit IS NOT NULL AND last_visit + make_interval(years => years) > now() THEN
    RAISE EXCEPTION 'retained until %', to_char(last_visit + make_interval(years => years), 'YYYY-MM-DD') USING ERRCODE = 'P0001';
  END IF;
  UPDATE clients SET name = 'Erased', born = NULL, phone = NULL, email = NULL, work = NULL, medicines = '', notes = '', preferences = '{}', face_height_mm = 190, face_width_mm = 140, erased_at = now(), version = version + 1 WHERE id = who;
  UPDATE consultations SET answers = NULL, medicines = NULL WHERE client_id = who;
  UPDATE consents SET strokes = NULL, name = NULL, sentence = '' WHERE client_id = who;
  UPDATE readings SET zones = NULL, whole = NULL WHERE client_id = who;
  UPDATE meter_readings SET taken = NULL, median = NULL, spread = NULL WHERE client_id = who;
  UPDATE client_links SET answers = NULL, medicines = NULL, expires_at = now() WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE plans SET steps = NULL, basins = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visit_events SET body = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE seal_items SET content = NULL, salt = NULL WHERE name <> 'sealed' AND visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE amendments SET before = NULL, after = NULL, reason = NULL, salt = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE follow_ups SET reason = 'erased' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE visits SET status = 'cancelled', fell_away = 'calledOff' WHERE client_id = who AND status = 'booked';
  UPDATE visits SET record_text = '', aims = '[]', fell_away_because = NULL, allowed_because = CASE WHEN allowed_because IS NULL THEN NULL ELSE 'erased' END WHERE client_id = who;
  UPDATE imports SET document = NULL WHERE client_id = who;
  UPDATE lifts SET word = NULL, reason = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE half_faces SET grades = NULL, light = '' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  DELETE FROM patch_reads WHERE test_id IN (SELECT id FROM patch_tests WHERE client_id = who);
  DELETE FROM patch_tests WHERE client_id = who;
  DELETE FROM home_use WHERE client_id = who;
END $$;
