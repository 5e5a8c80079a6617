GRANT SELECT ON backups TO oak_app;
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON sessions, openings, absences TO oak_app;
--> statement-breakpoint
GRANT UPDATE (seen_at, locked, ended_at) ON sessions TO oak_app;
--> statement-breakpoint
GRANT UPDATE (allowed_because, fell_away, fell_away_because, late_minutes) ON visits TO oak_app;
--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS btree_gist;
--> statement-breakpoint
-- Minutes have no time zone and no calendar, so the span is the same wherever it is asked for.
CREATE FUNCTION visit_span(starts timestamptz, minutes integer) RETURNS tstzrange LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT tstzrange(starts, starts + make_interval(mins => minutes), '[)')
$$;
--> statement-breakpoint
-- What overlapped before the rule stands, and says so.
UPDATE visits later SET allowed_because = 'booked before this was asked'
WHERE later.status <> 'cancelled' AND NOT later.imported AND EXISTS (
  SELECT 1 FROM visits sooner
  WHERE sooner.id <> later.id AND sooner.status <> 'cancelled' AND NOT sooner.imported
    AND (sooner.starts_at, sooner.id) < (later.starts_at, later.id)
    AND (sooner.room_id = later.room_id OR sooner.staff_id = later.staff_id OR sooner.client_id = later.client_id)
    AND visit_span(sooner.starts_at, sooner.minutes) && visit_span(later.starts_at, later.minutes));
--> statement-breakpoint
-- A room, a person and a client are in one visit at a time, unless an owner has said why not.
ALTER TABLE visits ADD CONSTRAINT visits_room_once EXCLUDE USING gist (room_id WITH =, visit_span(starts_at, minutes) WITH &&) WHERE (status <> 'cancelled' AND NOT imported AND allowed_because IS NULL);
--> statement-breakpoint
ALTER TABLE visits ADD CONSTRAINT visits_staff_once EXCLUDE USING gist (staff_id WITH =, visit_span(starts_at, minutes) WITH &&) WHERE (status <> 'cancelled' AND NOT imported AND allowed_because IS NULL);
--> statement-breakpoint
ALTER TABLE visits ADD CONSTRAINT visits_client_once EXCLUDE USING gist (client_id WITH =, visit_span(starts_at, minutes) WITH &&) WHERE (status <> 'cancelled' AND NOT imported AND allowed_because IS NULL);
--> statement-breakpoint
-- What was treated is kept by law whether its record was sealed or not; whoever is erased comes no more.
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
  UPDATE seal_items SET content = NULL, salt = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
  UPDATE amendments SET before = NULL, after = NULL, reason = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = who);
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
