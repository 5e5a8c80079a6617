GRANT SELECT ON client_joins TO oak_app;
--> statement-breakpoint
-- Two files of one person: everything of one is hung on the other, and remembered so that it can be parted again. Every table that hangs on a client is found in the catalogue, so that none is forgotten.
CREATE FUNCTION join_clients(join_id uuid, kept uuid, gone uuid, who uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  one clients;
  other clients;
  became clients;
  hangs text;
  ids jsonb;
  all_moved jsonb := '{}';
  twice jsonb;
BEGIN
  IF EXISTS (SELECT 1 FROM client_joins WHERE id = join_id) THEN RETURN; END IF;
  PERFORM 1 FROM clients WHERE id IN (kept, gone) ORDER BY id FOR UPDATE;
  SELECT * INTO one FROM clients WHERE id = kept AND erased_at IS NULL;
  SELECT * INTO other FROM clients WHERE id = gone AND erased_at IS NULL;
  IF one.id IS NULL OR other.id IS NULL OR kept = gone THEN
    RAISE EXCEPTION 'two files are needed' USING ERRCODE = 'P0002';
  END IF;
  SELECT coalesce(jsonb_agg(to_jsonb(i)), '[]') INTO twice FROM imports i
    WHERE i.client_id = gone AND EXISTS (SELECT 1 FROM imports k WHERE k.client_id = kept AND k.head = i.head);
  DELETE FROM imports i
    WHERE i.client_id = gone AND EXISTS (SELECT 1 FROM imports k WHERE k.client_id = kept AND k.head = i.head);
  FOR hangs IN SELECT DISTINCT conrelid::regclass::text FROM pg_constraint WHERE contype = 'f' AND confrelid = 'clients'::regclass LOOP
    EXECUTE format('WITH m AS (UPDATE %I SET client_id = $1 WHERE client_id = $2 RETURNING id) SELECT coalesce(jsonb_agg(id), ''[]'') FROM m', hangs) INTO ids USING kept, gone;
    all_moved := all_moved || jsonb_build_object(hangs, ids);
  END LOOP;
  -- What the kept file does not say is taken from the other; medicines and notes of both stand.
  UPDATE clients SET
    born = coalesce(one.born, other.born),
    phone = coalesce(one.phone, other.phone),
    email = coalesce(one.email, other.email),
    work = coalesce(one.work, other.work),
    medicines = CASE WHEN position(other.medicines IN one.medicines) > 0 THEN one.medicines ELSE trim(E'\n' FROM one.medicines || E'\n' || other.medicines) END,
    notes = CASE WHEN position(other.notes IN one.notes) > 0 THEN one.notes ELSE trim(E'\n' FROM one.notes || E'\n' || other.notes) END,
    preferences = other.preferences || one.preferences,
    tags = one.tags || (SELECT coalesce(jsonb_agg(t), '[]') FROM jsonb_array_elements(other.tags) t WHERE NOT one.tags @> jsonb_build_array(t)),
    version = one.version + 1
    WHERE id = kept RETURNING * INTO became;
  INSERT INTO client_joins (id, kept_id, joined_id, joined, filled, moved, dropped, by)
    VALUES (join_id, kept, gone, to_jsonb(other), jsonb_build_object('before', to_jsonb(one), 'after', to_jsonb(became)), all_moved, twice, who);
  DELETE FROM clients WHERE id = gone;
  PERFORM pg_notify('visit', v.id::text) FROM visits v WHERE v.client_id = kept AND v.status IN ('booked', 'treating', 'closing');
END $$;
--> statement-breakpoint
-- What was written since stays with the kept file; a field that was changed since stays as it is.
CREATE FUNCTION part_clients(join_id uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  made client_joins;
  was clients;
  became clients;
  hangs text;
  ids jsonb;
BEGIN
  SELECT * INTO made FROM client_joins WHERE id = join_id FOR UPDATE;
  IF made.parted_at IS NOT NULL THEN RETURN; END IF;
  PERFORM 1 FROM clients WHERE id = made.kept_id AND erased_at IS NULL FOR UPDATE;
  IF NOT FOUND OR made.joined IS NULL THEN
    RAISE EXCEPTION 'nothing to part' USING ERRCODE = 'P0002';
  END IF;
  was := jsonb_populate_record(NULL::clients, made.filled -> 'before');
  became := jsonb_populate_record(NULL::clients, made.filled -> 'after');
  INSERT INTO clients SELECT * FROM jsonb_populate_record(NULL::clients, made.joined);
  FOR hangs, ids IN SELECT key, value FROM jsonb_each(made.moved) LOOP
    EXECUTE format('UPDATE %I SET client_id = $1 WHERE client_id = $2 AND id IN (SELECT x::uuid FROM jsonb_array_elements_text($3) x)', hangs) USING made.joined_id, made.kept_id, ids;
  END LOOP;
  INSERT INTO imports SELECT * FROM jsonb_populate_recordset(NULL::imports, made.dropped);
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
--> statement-breakpoint
-- Whoever is erased is erased whole: with every file that was joined into theirs.
CREATE FUNCTION erase_joins() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  WITH RECURSIVE files(id) AS (
    SELECT NEW.id UNION SELECT j.joined_id FROM client_joins j JOIN files f ON j.kept_id = f.id WHERE j.parted_at IS NULL
  )
  UPDATE client_joins SET joined = NULL, filled = NULL, dropped = '[]' WHERE kept_id IN (SELECT id FROM files) OR joined_id = NEW.id;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE FUNCTION erase_tags() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.tags := '[]';
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER erase_tags BEFORE UPDATE OF erased_at ON clients FOR EACH ROW WHEN (NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_tags();
--> statement-breakpoint
CREATE TRIGGER erase_joins AFTER UPDATE OF erased_at ON clients FOR EACH ROW WHEN (NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_joins();
--> statement-breakpoint
REVOKE ALL ON FUNCTION join_clients(uuid, uuid, uuid, uuid), part_clients(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION join_clients(uuid, uuid, uuid, uuid), part_clients(uuid) TO oak_app;
