-- What was opened stands; it ends once.
GRANT SELECT, INSERT, UPDATE ON opened_things TO oak_app;
--> statement-breakpoint
CREATE TRIGGER nothing_of_the_erased BEFORE INSERT ON opened_things FOR EACH ROW EXECUTE FUNCTION nothing_of_the_erased();
--> statement-breakpoint
-- A cartridge is a bottle of the shelf with a price of its own.
UPDATE house_costs SET cents = cents - 'cartridge';
--> statement-breakpoint
-- Whoever is erased takes what was opened for them along.
DO $migration$
DECLARE body text;
BEGIN
  SELECT pg_get_functiondef('erase_client(uuid)'::regprocedure) INTO body;
  body := replace(body, 'DELETE FROM home_use WHERE client_id = who;', 'DELETE FROM home_use WHERE client_id = who; DELETE FROM opened_things WHERE client_id = who;');
  IF position('opened_things' IN body) = 0 THEN RAISE EXCEPTION 'erase_client is not as it was'; END IF;
  EXECUTE body;
END $migration$;
