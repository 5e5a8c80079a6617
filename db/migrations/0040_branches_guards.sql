-- One practice is a branch like every other, and needs no setting: what a connection does not say is the first.
INSERT INTO branches (id, name) VALUES ('00000000-0000-4000-8000-000000000001', 'The first practice');
--> statement-breakpoint
CREATE FUNCTION branch_now() RETURNS uuid LANGUAGE sql STABLE AS $$
  SELECT coalesce(nullif(nullif(current_setting('oak.branch', true), ''), 'all'), '00000000-0000-4000-8000-000000000001')::uuid
$$;
--> statement-breakpoint
-- Whose a row is. A new table gets the same (a test says which has not).
CREATE FUNCTION belongs_to_a_branch(one regclass) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  EXECUTE format('ALTER TABLE %s ADD COLUMN branch_id uuid NOT NULL DEFAULT branch_now()', one);
  EXECUTE format('CREATE POLICY of_its_branch ON %s USING (branch_id = branch_now()) WITH CHECK (branch_id = branch_now())', one);
  EXECUTE format('CREATE POLICY of_all ON %s TO oak_owner USING (current_setting(''oak.branch'', true) = ''all'') WITH CHECK (current_setting(''oak.branch'', true) = ''all'')', one);
  IF (SELECT count(*) > 1 FROM branches) THEN
    EXECUTE format('ALTER TABLE %s ENABLE ROW LEVEL SECURITY', one);
    EXECUTE format('ALTER TABLE %s FORCE ROW LEVEL SECURITY', one);
  END IF;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION belongs_to_a_branch(regclass) FROM PUBLIC;
--> statement-breakpoint
-- What is of the whole database, whoever works in it: tries to come in, backups, the pulse.
DO $$ DECLARE one text; BEGIN
  FOR one IN SELECT tablename FROM pg_tables WHERE schemaname = 'public'
    AND tablename NOT IN ('branches', 'client_shares', 'house_kind', 'login_attempts', 'backups', 'pulse')
  LOOP
    PERFORM belongs_to_a_branch(format('public.%I', one)::regclass);
  END LOOP;
END $$;
--> statement-breakpoint
-- What there is once, there is once in each.
ALTER TABLE practice DROP CONSTRAINT practice_pkey, ADD PRIMARY KEY (branch_id, id);
--> statement-breakpoint
ALTER TABLE house_costs DROP CONSTRAINT house_costs_pkey, ADD PRIMARY KEY (branch_id, id);
--> statement-breakpoint
ALTER TABLE tools DROP CONSTRAINT tools_pkey, ADD PRIMARY KEY (branch_id, tool);
--> statement-breakpoint
ALTER TABLE rooms DROP CONSTRAINT rooms_name_unique, ADD CONSTRAINT rooms_name_unique UNIQUE (branch_id, name);
--> statement-breakpoint
ALTER TABLE seals DROP CONSTRAINT seals_pkey, ADD PRIMARY KEY (branch_id, number);
--> statement-breakpoint
ALTER TABLE seals DROP CONSTRAINT seals_prev_unique, ADD CONSTRAINT seals_prev_unique UNIQUE (branch_id, prev);
--> statement-breakpoint
ALTER TABLE amendments DROP CONSTRAINT amendments_number_unique, ADD CONSTRAINT amendments_number_unique UNIQUE (branch_id, number);
--> statement-breakpoint
ALTER TABLE amendments DROP CONSTRAINT amendments_prev_unique, ADD CONSTRAINT amendments_prev_unique UNIQUE (branch_id, prev);
--> statement-breakpoint
DROP INDEX staff_email;
--> statement-breakpoint
CREATE UNIQUE INDEX staff_email ON staff (branch_id, lower(email));
--> statement-breakpoint
-- A file of two practices is seen by both; who allows it is the one whose client it is.
ALTER TABLE client_shares ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE client_shares FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY of_both ON client_shares FOR SELECT USING (branch_now() IN (home_branch, at_branch));
--> statement-breakpoint
CREATE POLICY begun_at_home ON client_shares FOR INSERT WITH CHECK (home_branch = branch_now());
--> statement-breakpoint
CREATE POLICY ended_at_home ON client_shares FOR UPDATE USING (home_branch = branch_now()) WITH CHECK (home_branch = branch_now());
--> statement-breakpoint
CREATE POLICY of_all ON client_shares TO oak_owner USING (current_setting('oak.branch', true) = 'all') WITH CHECK (current_setting('oak.branch', true) = 'all');
--> statement-breakpoint
GRANT SELECT ON branches, client_shares TO oak_app;
--> statement-breakpoint
GRANT INSERT ON client_shares TO oak_app;
--> statement-breakpoint
GRANT UPDATE (ended_at) ON client_shares TO oak_app;
--> statement-breakpoint
-- Adds a practice. From the second on each connection sees the rows of its own branch alone; one practice pays for none of it.
CREATE FUNCTION add_branch(its_id uuid, its_name text, its_key_hash text) RETURNS void LANGUAGE plpgsql AS $$
DECLARE
  one regclass;
  ref record;
BEGIN
  INSERT INTO branches (id, name, key_hash) VALUES (its_id, its_name, its_key_hash);
  FOR one IN SELECT DISTINCT polrelid::regclass FROM pg_policy WHERE polname = 'of_its_branch' LOOP
    EXECUTE format('ALTER TABLE %s ENABLE ROW LEVEL SECURITY', one);
    EXECUTE format('ALTER TABLE %s FORCE ROW LEVEL SECURITY', one);
  END LOOP;
  -- What a row points to is of its own practice. Keys themselves look past the rows that may be seen.
  FOR ref IN SELECT left(c.conname, 58) || '_here' AS name, c.conrelid::regclass AS whose, c.confrelid::regclass AS target, a.attname AS col, k.attname AS key
    FROM pg_constraint c
    JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
    JOIN pg_attribute k ON k.attrelid = c.confrelid AND k.attnum = c.confkey[1]
    WHERE c.contype = 'f' AND array_length(c.conkey, 1) = 1 AND NOT EXISTS (SELECT 1 FROM pg_constraint o WHERE o.conname = left(c.conname, 58) || '_here')
      AND EXISTS (SELECT 1 FROM pg_policy p WHERE p.polrelid = c.conrelid AND p.polname = 'of_its_branch')
      AND EXISTS (SELECT 1 FROM pg_policy p WHERE p.polrelid = c.confrelid AND p.polname = 'of_its_branch')
  LOOP
    EXECUTE format('CREATE UNIQUE INDEX IF NOT EXISTS %I ON %s (branch_id, %I)', (SELECT relname FROM pg_class WHERE oid = ref.target) || '_' || ref.key || '_branch', ref.target, ref.key);
    EXECUTE format('ALTER TABLE %s ADD CONSTRAINT %I FOREIGN KEY (branch_id, %I) REFERENCES %s (branch_id, %I)', ref.whose, ref.name, ref.col, ref.target, ref.key);
  END LOOP;
  -- Lists that are read in their order begin with whose they are.
  CREATE INDEX IF NOT EXISTS clients_branch_name ON clients (branch_id, lower(name), id);
  CREATE INDEX IF NOT EXISTS visits_branch_starts ON visits (branch_id, starts_at);
  CREATE INDEX IF NOT EXISTS audit_branch_at ON audit (branch_id, at, id);
  PERFORM pg_notify('branches', '');
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION add_branch(uuid, text, text) FROM PUBLIC;
--> statement-breakpoint
-- Lets a client be seen at another practice: a file there with what tells who they are, or the one they had. False where nobody owns that practice yet.
CREATE FUNCTION share_client(its_id uuid, file uuid, there uuid, file_there uuid, who uuid) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  here uuid := branch_now();
  setting text := coalesce(current_setting('oak.branch', true), '');
  one clients;
  before client_shares;
  owner_there uuid;
BEGIN
  SELECT * INTO one FROM clients WHERE id = file AND erased_at IS NULL FOR UPDATE;
  IF one.id IS NULL OR there = here THEN
    RAISE EXCEPTION 'a client of this practice and another practice' USING ERRCODE = 'P0002';
  END IF;
  IF EXISTS (SELECT 1 FROM client_shares WHERE home_file = file AND at_branch = there AND ended_at IS NULL) THEN RETURN true; END IF;
  PERFORM set_config('oak.branch', there::text, true);
  SELECT id INTO owner_there FROM staff WHERE role = 'owner' AND active ORDER BY id LIMIT 1;
  IF owner_there IS NULL THEN
    PERFORM set_config('oak.branch', setting, true);
    RETURN false;
  END IF;
  SELECT s.* INTO before FROM client_shares s JOIN clients c ON c.id = s.at_file AND c.erased_at IS NULL
    WHERE s.home_file = file AND s.at_branch = there ORDER BY s.at DESC LIMIT 1;
  IF before.id IS NULL THEN
    INSERT INTO clients (id, name, born, phone, email, work, medicines, notes, preferences, messages, face_height_mm, face_width_mm, created_by)
      VALUES (file_there, one.name, one.born, one.phone, one.email, one.work, one.medicines, one.notes, one.preferences, one.messages, one.face_height_mm, one.face_width_mm, owner_there);
  END IF;
  PERFORM set_config('oak.branch', setting, true);
  INSERT INTO client_shares (id, home_branch, home_file, at_branch, at_file, by)
    VALUES (its_id, here, file, there, coalesce(before.at_file, file_there), who);
  RETURN true;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION share_client(uuid, uuid, uuid, uuid, uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION share_client(uuid, uuid, uuid, uuid, uuid) TO oak_app;
--> statement-breakpoint
-- Which practices know an address or hold a link: asked before anybody is signed in.
CREATE FUNCTION branches_of_email(wanted text) RETURNS SETOF uuid LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE setting text := coalesce(current_setting('oak.branch', true), '');
BEGIN
  PERFORM set_config('oak.branch', 'all', true);
  RETURN QUERY SELECT branch_id FROM staff
    WHERE lower(staff.email) = lower(wanted) AND active ORDER BY branch_id;
  PERFORM set_config('oak.branch', setting, true);
END $$;
--> statement-breakpoint
CREATE FUNCTION branch_of_link(hash text) RETURNS SETOF uuid LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE setting text := coalesce(current_setting('oak.branch', true), '');
BEGIN
  PERFORM set_config('oak.branch', 'all', true);
  RETURN QUERY SELECT branch_id FROM staff_links WHERE token_hash = hash
    UNION ALL SELECT branch_id FROM client_links WHERE token_hash = hash
    UNION ALL SELECT branch_id FROM home_links WHERE token_hash = hash;
  PERFORM set_config('oak.branch', setting, true);
END $$;
--> statement-breakpoint
-- When somebody who works in several practices is taken in the others, and nothing of by whom.
CREATE FUNCTION taken_elsewhere(here uuid, whose text[], from_at timestamptz, to_at timestamptz) RETURNS TABLE (email text, starts_at timestamptz, minutes integer) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE setting text := coalesce(current_setting('oak.branch', true), '');
BEGIN
  PERFORM set_config('oak.branch', 'all', true);
  RETURN QUERY SELECT lower(s.email), v.starts_at, v.minutes FROM visits v JOIN staff s ON s.id = v.staff_id
    WHERE v.branch_id <> here AND lower(s.email) = ANY (whose) AND v.status <> 'cancelled'
      AND v.starts_at < to_at AND v.starts_at > from_at - interval '1 day'
      AND v.starts_at + make_interval(mins => v.minutes) > from_at;
  PERFORM set_config('oak.branch', setting, true);
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION branches_of_email(text), branch_of_link(text), taken_elsewhere(uuid, text[], timestamptz, timestamptz) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION branches_of_email(text), branch_of_link(text), taken_elsewhere(uuid, text[], timestamptz, timestamptz) TO oak_app;
--> statement-breakpoint
-- Files that were joined before there were branches are parted into this one.
CREATE OR REPLACE FUNCTION part_clients(join_id uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  made client_joins;
  was clients;
  became clients;
  hangs text;
  ids jsonb;
  -- Files that were joined before there were branches do not say theirs.
  here jsonb := jsonb_build_object('branch_id', branch_now());
BEGIN
  SELECT * INTO made FROM client_joins WHERE id = join_id FOR UPDATE;
  IF made.parted_at IS NOT NULL THEN RETURN; END IF;
  PERFORM 1 FROM clients WHERE id = made.kept_id AND erased_at IS NULL FOR UPDATE;
  IF NOT FOUND OR made.joined IS NULL THEN
    RAISE EXCEPTION 'nothing to part' USING ERRCODE = 'P0002';
  END IF;
  was := jsonb_populate_record(NULL::clients, made.filled -> 'before');
  became := jsonb_populate_record(NULL::clients, made.filled -> 'after');
  INSERT INTO clients SELECT * FROM jsonb_populate_record(NULL::clients, made.joined || here);
  FOR hangs, ids IN SELECT key, value FROM jsonb_each(made.moved) LOOP
    EXECUTE format('UPDATE %I SET client_id = $1 WHERE client_id = $2 AND id IN (SELECT x::uuid FROM jsonb_array_elements_text($3) x)', hangs) USING made.joined_id, made.kept_id, ids;
  END LOOP;
  INSERT INTO imports SELECT * FROM jsonb_populate_recordset(NULL::imports, (SELECT coalesce(jsonb_agg(d || here), '[]') FROM jsonb_array_elements(made.dropped) d));
  UPDATE clients SET
    born = CASE WHEN born IS NOT DISTINCT FROM became.born THEN was.born ELSE born END,
    phone = CASE WHEN phone IS NOT DISTINCT FROM became.phone THEN was.phone ELSE phone END,
    email = CASE WHEN email IS NOT DISTINCT FROM became.email THEN was.email ELSE email END,
    work = CASE WHEN work IS NOT DISTINCT FROM became.work THEN was.work ELSE work END,
    medicines = CASE WHEN medicines = became.medicines THEN was.medicines ELSE medicines END,
    notes = CASE WHEN notes = became.notes THEN was.notes ELSE notes END,
    preferences = CASE WHEN preferences = became.preferences THEN was.preferences ELSE preferences END,
    tags = CASE WHEN tags = became.tags THEN was.tags ELSE tags END,
    version = version + 1
    WHERE id = made.kept_id;
  UPDATE client_joins SET parted_at = now() WHERE id = join_id;
  PERFORM pg_notify('visit', v.id::text) FROM visits v WHERE v.client_id IN (made.kept_id, made.joined_id) AND v.status IN ('booked', 'treating', 'closing');
END $$;
