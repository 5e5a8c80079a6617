CREATE TABLE "sessions" (
	"id" uuid PRIMARY KEY NOT NULL,
	"staff_id" uuid NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"locked" boolean DEFAULT false NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "absences" (
	"id" uuid PRIMARY KEY NOT NULL,
	"staff_id" uuid,
	"first_day" date NOT NULL,
	"last_day" date NOT NULL,
	"word" text NOT NULL,
	CONSTRAINT "absences_order" CHECK ("absences"."first_day" <= "absences"."last_day")
);
--> statement-breakpoint
CREATE TABLE "openings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"staff_id" uuid,
	"weekday" integer NOT NULL,
	"from_minute" integer NOT NULL,
	"to_minute" integer NOT NULL,
	CONSTRAINT "openings_weekday" CHECK ("openings"."weekday" between 1 and 7),
	CONSTRAINT "openings_order" CHECK (0 <= "openings"."from_minute" and "openings"."from_minute" < "openings"."to_minute" and "openings"."to_minute" <= 1440)
);
--> statement-breakpoint
CREATE TABLE "backups" (
	"at" timestamp with time zone PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"bytes" bigint NOT NULL,
	CONSTRAINT "backups_kind" CHECK ("backups"."kind" in ('nightly','byHand'))
);
--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "basins" jsonb;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "allowed_because" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "fell_away" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "fell_away_because" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "late_minutes" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "absences" ADD CONSTRAINT "absences_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "openings" ADD CONSTRAINT "openings_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sessions_staff" ON "sessions" USING btree ("staff_id");--> statement-breakpoint
CREATE INDEX "absences_last" ON "absences" USING btree ("last_day");--> statement-breakpoint
CREATE INDEX "clients_import" ON "clients" USING btree ("import_id");--> statement-breakpoint
CREATE INDEX "amendments_visit" ON "amendments" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "consents_client" ON "consents" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "consents_visit" ON "consents" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "consultations_visit" ON "consultations" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "follow_ups_due" ON "follow_ups" USING btree ("due_on") WHERE "follow_ups"."done_at" is null;--> statement-breakpoint
CREATE INDEX "home_use_client" ON "home_use" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "readings_visit" ON "readings" USING btree ("visit_id");--> statement-breakpoint
ALTER TABLE "staff" DROP COLUMN "session_version";--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_late" CHECK ("visits"."late_minutes" between 0 and 120);