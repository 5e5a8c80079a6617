-- What was said of home and what was written for it stands; a change is another version.
GRANT SELECT, INSERT ON home_asked, home_routines TO oak_app;
--> statement-breakpoint
GRANT SELECT, INSERT ON check_ins, home_links, messages, referrals TO oak_app;
--> statement-breakpoint
GRANT UPDATE (answers, outcome, answered_at, told_to, jpeg, done_at, done_by, note, suspected) ON check_ins TO oak_app;
--> statement-breakpoint
GRANT UPDATE (expires_at) ON home_links TO oak_app;
--> statement-breakpoint
GRANT UPDATE (words, status, tries, next_at, trouble, ended_at) ON messages TO oak_app;
--> statement-breakpoint
GRANT UPDATE (answer, answered_at, answered_by) ON referrals TO oak_app;
--> statement-breakpoint
GRANT UPDATE (home) ON client_links TO oak_app;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['home_asked', 'home_routines', 'check_ins', 'home_links', 'messages', 'referrals'] LOOP
    EXECUTE format('CREATE TRIGGER nothing_of_the_erased BEFORE INSERT ON %I FOR EACH ROW EXECUTE FUNCTION nothing_of_the_erased()', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- Erasing a client takes along what they said of home, what was written for them and what was sent.
CREATE FUNCTION erase_afterwards() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  DELETE FROM messages WHERE client_id = NEW.id;
  DELETE FROM home_links WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  DELETE FROM check_ins WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  DELETE FROM referrals WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  DELETE FROM home_routines WHERE client_id = NEW.id;
  DELETE FROM home_asked WHERE client_id = NEW.id;
  UPDATE client_links SET home = NULL WHERE visit_id IN (SELECT id FROM visits WHERE client_id = NEW.id);
  RETURN NEW;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION erase_afterwards() FROM PUBLIC;
--> statement-breakpoint
CREATE TRIGGER erase_afterwards AFTER UPDATE OF erased_at ON clients FOR EACH ROW WHEN (NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_afterwards();
