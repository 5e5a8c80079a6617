/**
 * Rows as a house would have gathered them: ten rooms and ten people, eight visits a day in each
 * room; a day holds as much in either house, only the years behind it differ. Copied from what the
 * demo has sealed, so that each row has a true size.
 */
export const filling = (clients, visits) => `
SET synchronous_commit = off;
INSERT INTO rooms (id, name) SELECT gen_random_uuid(), 'Bench room ' || n FROM generate_series(1, 10) n;
INSERT INTO staff (id, name, email, role, licences, password_hash)
  SELECT gen_random_uuid(), 'Bench ' || n, 'bench' || n || '@house.example', 'therapist', '["basic"]', ''
  FROM generate_series(1, 10) n;
CREATE TEMP TABLE a_room AS SELECT id, row_number() OVER (ORDER BY name) - 1 AS place FROM rooms WHERE name LIKE 'Bench room%';
CREATE TEMP TABLE a_person AS SELECT id, row_number() OVER (ORDER BY name) - 1 AS place FROM staff WHERE name LIKE 'Bench %';
CREATE TEMP TABLE a_client AS SELECT gen_random_uuid() AS id, n FROM generate_series(0, ${clients} - 1) n;
INSERT INTO clients (id, name, born, phone, email, work, created_by)
  SELECT c.id, 'Client ' || c.n, '1980-01-01', '', '', 'work ' || c.n % 97, p.id
  FROM a_client c JOIN a_person p ON p.place = c.n % 10;
CREATE TEMP TABLE a_visit AS
  SELECT gen_random_uuid() AS id, v.n, c.id AS client_id, r.id AS room_id, p.id AS staff_id,
    date_trunc('day', now()) - make_interval(days => ${visits} / 80 - 20)
      + make_interval(days => (v.n / 80)::int, hours => 6 + ((v.n / 10) % 8)::int) AS starts_at
  FROM generate_series(0, ${visits} - 1) v (n)
  JOIN a_client c ON c.n = (v.n * 7) % ${clients} JOIN a_room r ON r.place = v.n % 10 JOIN a_person p ON p.place = v.n % 10;
INSERT INTO visits (id, client_id, staff_id, room_id, starts_at, minutes, school, status)
  SELECT id, client_id, staff_id, room_id, starts_at, 50, 'warmCloth',
    CASE WHEN starts_at < now() - interval '1 day' THEN 'sealed' ELSE 'booked' END FROM a_visit;
INSERT INTO consultations (id, visit_id, client_id, answers, medicines, by, at)
  SELECT gen_random_uuid(), v.id, v.client_id, o.answers, '', v.staff_id, v.starts_at
  FROM a_visit v, (SELECT answers FROM consultations LIMIT 1) o WHERE v.starts_at < now() - interval '1 day';
INSERT INTO consents (id, visit_id, client_id, method, name, guardian, sentence, kinds, by, at)
  SELECT gen_random_uuid(), v.id, v.client_id, 'typed', 'A', false, 'x', '["care"]', v.staff_id, v.starts_at
  FROM a_visit v WHERE v.starts_at < now() - interval '1 day';
INSERT INTO readings (id, visit_id, client_id, phase, zones, whole, by, at)
  SELECT gen_random_uuid(), v.id, v.client_id, 'madeUp', o.zones, '{}', v.staff_id, v.starts_at
  FROM a_visit v, (SELECT zones FROM readings WHERE zones IS NOT NULL LIMIT 1) o
  WHERE v.starts_at < now() - interval '1 day';
CREATE TEMP TABLE a_seal AS
  SELECT id AS visit_id, staff_id, starts_at,
    row_number() OVER (ORDER BY starts_at, n) + (SELECT coalesce(max(number), 0) FROM seals) AS number
  FROM a_visit WHERE starts_at < now() - interval '1 day';
INSERT INTO seals (number, visit_id, prev, head, by, at)
  SELECT number, visit_id, encode(sha256(('p' || number)::bytea), 'hex'),
    encode(sha256(('h' || number)::bytea), 'hex'), staff_id, starts_at FROM a_seal;
INSERT INTO seal_items (visit_id, place, name, commitment, content, salt)
  SELECT s.visit_id, o.place, o.name, o.commitment, o.content, o.salt FROM a_seal s,
    (SELECT * FROM seal_items WHERE visit_id = (SELECT visit_id FROM seal_items LIMIT 1)
      AND name IN ('work', 'treatment', 'notes')) o;
CREATE TEMP TABLE a_lot AS
  SELECT 'bench-' || n AS id, n,
    (ARRAY(SELECT id FROM products ORDER BY id))[1 + n % (SELECT count(*) FROM products)] AS product_id
  FROM generate_series(1, ${visits} / 20) n;
INSERT INTO lots (id, product_id, code, expires, opened_on) SELECT id, product_id, 'B' || n, '2031-01-01', '2020-01-01' FROM a_lot;
INSERT INTO lot_movements (id, lot_id, kind, hundredths) SELECT gen_random_uuid(), id, 'received', 5000 FROM a_lot;
INSERT INTO lot_movements (id, lot_id, kind, hundredths) SELECT gen_random_uuid(), id, 'used', -5000 FROM a_lot;
INSERT INTO audit (at, staff_id, action, client_id, visit_id, allowed)
  SELECT v.starts_at, v.staff_id, 'visit.look', v.client_id, v.id, true FROM a_visit v, generate_series(1, 4);
INSERT INTO follow_ups (id, visit_id, due_on, reason, done_at)
  SELECT gen_random_uuid(), id, starts_at::date, 'x', now() FROM a_visit WHERE n % 50 = 0 AND starts_at < now() - interval '1 day';
`
