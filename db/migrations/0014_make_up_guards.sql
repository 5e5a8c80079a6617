-- A bare face was told by a word; the others are light make-up until somebody says more. Sealed
-- visits are read anew by nobody, so that no guard of theirs is asked.
ALTER TABLE visits DISABLE TRIGGER USER;
--> statement-breakpoint
UPDATE visits SET make_up = '[]' WHERE NOT made_up;
--> statement-breakpoint
ALTER TABLE visits ENABLE TRIGGER USER;
