GRANT SELECT, INSERT ON photographs TO oak_app;
--> statement-breakpoint
-- A sealed record names its pictures: none comes after it.
CREATE TRIGGER no_pictures_after_seal BEFORE INSERT ON photographs FOR EACH ROW EXECUTE FUNCTION no_taps_after_seal();
--> statement-breakpoint
-- Erasing a client takes the pictures along; who took one, and when, stays.
CREATE FUNCTION erase_photographs() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  UPDATE photographs SET jpeg = NULL, sha256 = '', regions = '[]' WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  RETURN NEW;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION erase_photographs() FROM PUBLIC;
--> statement-breakpoint
CREATE TRIGGER erase_photographs AFTER UPDATE OF erased_at ON clients FOR EACH ROW WHEN (NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_photographs();
