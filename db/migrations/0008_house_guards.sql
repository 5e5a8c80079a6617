GRANT SELECT, INSERT ON staff_links, lot_movements TO oak_app;
--> statement-breakpoint
GRANT SELECT ON house_kind TO oak_app;
--> statement-breakpoint
GRANT UPDATE (used_at, expires_at) ON staff_links TO oak_app;
--> statement-breakpoint
GRANT INSERT ON practice, staff, rooms, devices, products TO oak_app;
--> statement-breakpoint
GRANT UPDATE (name, address, phone, emergency, time_zone, school, cleaning_minutes, currency, version) ON practice TO oak_app;
--> statement-breakpoint
GRANT UPDATE (name, email, active, password_hash) ON staff TO oak_app;
--> statement-breakpoint
GRANT UPDATE (name, closed) ON rooms TO oak_app;
--> statement-breakpoint
GRANT UPDATE (name, serial, service_due, ready) ON devices TO oak_app;
--> statement-breakpoint
GRANT UPDATE ON products TO oak_app;
--> statement-breakpoint
GRANT INSERT ON lots TO oak_app;
--> statement-breakpoint
GRANT UPDATE (code, expires, recalled) ON lots TO oak_app;
--> statement-breakpoint
REVOKE UPDATE (remaining_hundredths_ml) ON lots FROM oak_app;
--> statement-breakpoint
-- Bottles that stood before their movements were kept begin with what is left of them.
INSERT INTO lot_movements (id, lot_id, kind, hundredths, reason) SELECT gen_random_uuid(), id, 'received', remaining_hundredths_ml, 'stood on the shelf' FROM lots;
--> statement-breakpoint
-- What is left of a bottle is the sum of its movements: nothing else changes it, and a movement below nothing is refused.
CREATE FUNCTION lot_moves() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  UPDATE lots SET remaining_hundredths_ml = remaining_hundredths_ml + NEW.hundredths WHERE id = NEW.lot_id;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER lot_moves AFTER INSERT ON lot_movements FOR EACH ROW EXECUTE FUNCTION lot_moves();
--> statement-breakpoint
-- A bottle comes in empty: what is in it is its first movement.
CREATE FUNCTION lots_begin_empty() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.remaining_hundredths_ml := 0;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER lots_begin_empty BEFORE INSERT ON lots FOR EACH ROW EXECUTE FUNCTION lots_begin_empty();
--> statement-breakpoint
-- The application makes nobody an owner by itself: the first one of an empty house comes in as one, any later one by an owner's word.
CREATE FUNCTION owners_are_made() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF current_user = 'oak_app' AND NEW.role = 'owner' AND EXISTS (SELECT 1 FROM staff) THEN RAISE EXCEPTION 'an owner is made by an owner' USING ERRCODE = 'insufficient_privilege'; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER owners_are_made BEFORE INSERT ON staff FOR EACH ROW EXECUTE FUNCTION owners_are_made();
--> statement-breakpoint
CREATE FUNCTION change_role(by_whom uuid, who uuid, wanted text) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM staff WHERE id = by_whom AND role = 'owner' AND active) THEN RAISE EXCEPTION 'a role is changed by an owner' USING ERRCODE = 'insufficient_privilege'; END IF;
  UPDATE staff SET role = wanted WHERE id = who;
END $$;
--> statement-breakpoint
REVOKE EXECUTE ON FUNCTION change_role(uuid, uuid, text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION change_role(uuid, uuid, text) TO oak_app;
--> statement-breakpoint
-- How long records are kept is an owner's word too: the application cannot shorten it by itself.
CREATE FUNCTION change_retention(by_whom uuid, years integer) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM staff WHERE id = by_whom AND role = 'owner' AND active) THEN RAISE EXCEPTION 'retention is changed by an owner' USING ERRCODE = 'insufficient_privilege'; END IF;
  UPDATE practice SET retention_years = years;
END $$;
--> statement-breakpoint
REVOKE EXECUTE ON FUNCTION change_retention(uuid, integer) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION change_retention(uuid, integer) TO oak_app;
--> statement-breakpoint
-- A house without somebody who may furnish it could never be opened again.
CREATE FUNCTION an_owner_stays() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM staff WHERE role = 'owner' AND active) THEN RAISE EXCEPTION 'the last owner stays' USING ERRCODE = 'check_violation'; END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER an_owner_stays AFTER UPDATE ON staff DEFERRABLE INITIALLY IMMEDIATE FOR EACH ROW EXECUTE FUNCTION an_owner_stays();
--> statement-breakpoint
-- Folders that were begun before this was written down: the demo by its accounts, any other by its people.
INSERT INTO house_kind (kind) SELECT CASE WHEN bool_or(demo) THEN 'demo' ELSE 'own' END FROM staff HAVING count(*) > 0;
