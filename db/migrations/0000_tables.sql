CREATE TABLE "audit" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "audit_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"staff_id" uuid,
	"action" text NOT NULL,
	"client_id" uuid,
	"visit_id" uuid,
	"allowed" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "clients" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"born" date,
	"phone" text,
	"email" text,
	"work" text,
	"medicines" text DEFAULT '' NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"face_height_mm" integer DEFAULT 190 NOT NULL,
	"face_width_mm" integer DEFAULT 140 NOT NULL,
	"created_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"erased_at" timestamp with time zone,
	CONSTRAINT "clients_name_there" CHECK (length("clients"."name") between 1 and 120),
	CONSTRAINT "clients_face" CHECK ("clients"."face_height_mm" between 100 and 300 and "clients"."face_width_mm" between 80 and 250)
);
--> statement-breakpoint
CREATE TABLE "login_attempts" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "login_attempts_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"key_hash" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practice" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"address" text NOT NULL,
	"phone" text NOT NULL,
	"emergency" text NOT NULL,
	"time_zone" text NOT NULL,
	"school" text NOT NULL,
	"cleaning_minutes" integer DEFAULT 10 NOT NULL,
	"retention_years" integer DEFAULT 5 NOT NULL,
	CONSTRAINT "practice_one_row" CHECK ("practice"."id" = 1),
	CONSTRAINT "practice_cleaning" CHECK ("practice"."cleaning_minutes" between 0 and 60),
	CONSTRAINT "practice_retention" CHECK ("practice"."retention_years" between 1 and 30)
);
--> statement-breakpoint
CREATE TABLE "staff" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"role" text NOT NULL,
	"licences" jsonb NOT NULL,
	"password_hash" text NOT NULL,
	"pin_hash" text,
	"session_version" integer DEFAULT 1 NOT NULL,
	"active" boolean DEFAULT true NOT NULL,
	"demo" boolean DEFAULT false NOT NULL,
	CONSTRAINT "staff_role" CHECK ("staff"."role" in ('owner','therapist','trainee'))
);
--> statement-breakpoint
CREATE TABLE "amendments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"before" text,
	"after" text,
	"reason" text,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "client_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"submitted_at" timestamp with time zone,
	"answers" jsonb,
	"medicines" text,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "consents" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"method" text NOT NULL,
	"name" text,
	"guardian" boolean DEFAULT false NOT NULL,
	"strokes" text,
	"sentence" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consents_method" CHECK ("consents"."method" in ('pen','typed'))
);
--> statement-breakpoint
CREATE TABLE "consultations" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"answers" jsonb,
	"medicines" text,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "devices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"ready" boolean DEFAULT true NOT NULL
);
--> statement-breakpoint
CREATE TABLE "follow_ups" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"due_on" date NOT NULL,
	"reason" text NOT NULL,
	"done_at" timestamp with time zone,
	CONSTRAINT "follow_ups_visit_id_unique" UNIQUE("visit_id")
);
--> statement-breakpoint
CREATE TABLE "home_use" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"label" text NOT NULL,
	"hundredths" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "imports" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"document" jsonb,
	"head" text NOT NULL,
	"holds" boolean NOT NULL,
	"ours" boolean NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "imports_once" UNIQUE("client_id","head")
);
--> statement-breakpoint
CREATE TABLE "lots" (
	"id" text PRIMARY KEY NOT NULL,
	"product_id" text NOT NULL,
	"code" text NOT NULL,
	"expires" date NOT NULL,
	"opened_on" date,
	"recalled" boolean DEFAULT false NOT NULL,
	"remaining_hundredths_ml" integer NOT NULL,
	CONSTRAINT "lots_remaining" CHECK ("lots"."remaining_hundredths_ml" >= 0)
);
--> statement-breakpoint
CREATE TABLE "meter_readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"zone" text NOT NULL,
	"phase" text NOT NULL,
	"serial" text NOT NULL,
	"unit" text NOT NULL,
	"taken" jsonb,
	"median" double precision,
	"spread" double precision,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "meter_readings_phase" CHECK ("meter_readings"."phase" in ('madeUp','bare'))
);
--> statement-breakpoint
CREATE TABLE "plans" (
	"visit_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"steps" jsonb,
	"reason" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"countersigned_by" uuid,
	CONSTRAINT "plans_visit_id_version_pk" PRIMARY KEY("visit_id","version"),
	CONSTRAINT "plans_version" CHECK ("plans"."version" >= 0)
);
--> statement-breakpoint
CREATE TABLE "products" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"line" text NOT NULL,
	"kind" text NOT NULL,
	"inci" jsonb NOT NULL,
	"density_per_mille" integer NOT NULL,
	"dispenser" jsonb NOT NULL,
	"suits" jsonb NOT NULL,
	"calming" boolean NOT NULL,
	"ph_hundredths" integer,
	"pack_millilitres" integer NOT NULL,
	"price_cents" integer NOT NULL,
	"open_months" integer NOT NULL,
	CONSTRAINT "products_amounts" CHECK ("products"."density_per_mille" between 500 and 3000 and "products"."pack_millilitres" > 0 and "products"."price_cents" >= 0 and "products"."open_months" between 1 and 60)
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"phase" text NOT NULL,
	"zones" jsonb,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "readings_phase" CHECK ("readings"."phase" in ('madeUp','bare'))
);
--> statement-breakpoint
CREATE TABLE "rooms" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "rooms_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "seal_items" (
	"visit_id" uuid NOT NULL,
	"place" integer NOT NULL,
	"name" text NOT NULL,
	"commitment" text NOT NULL,
	"content" jsonb,
	"salt" text,
	CONSTRAINT "seal_items_visit_id_place_pk" PRIMARY KEY("visit_id","place"),
	CONSTRAINT "seal_items_hex" CHECK ("seal_items"."commitment" ~ '^[0-9a-f]{64}$')
);
--> statement-breakpoint
CREATE TABLE "seals" (
	"number" integer PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"prev" text NOT NULL,
	"head" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "seals_visit_id_unique" UNIQUE("visit_id"),
	CONSTRAINT "seals_prev_unique" UNIQUE("prev"),
	CONSTRAINT "seals_head_unique" UNIQUE("head"),
	CONSTRAINT "seals_hex" CHECK ("seals"."prev" ~ '^[0-9a-f]{64}$' and "seals"."head" ~ '^[0-9a-f]{64}$')
);
--> statement-breakpoint
CREATE TABLE "visit_events" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"at" bigint NOT NULL,
	"device_id" text NOT NULL,
	"seq" integer NOT NULL,
	"plan_version" integer NOT NULL,
	"body" jsonb,
	"by" uuid NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_events_device_seq" UNIQUE("visit_id","device_id","seq")
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"minutes" integer NOT NULL,
	"made_up" boolean DEFAULT true NOT NULL,
	"evening" boolean DEFAULT false NOT NULL,
	"aims" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"school" text NOT NULL,
	"status" text DEFAULT 'booked' NOT NULL,
	"record_text" text DEFAULT '' NOT NULL,
	"next_visit_at" timestamp with time zone,
	"imported" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "visits_minutes" CHECK ("visits"."minutes" between 15 and 180),
	CONSTRAINT "visits_status" CHECK ("visits"."status" in ('booked','treating','closing','sealed','cancelled'))
);
--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_created_by_staff_id_fk" FOREIGN KEY ("created_by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "amendments" ADD CONSTRAINT "amendments_visit_id_seals_visit_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."seals"("visit_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "amendments" ADD CONSTRAINT "amendments_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_links" ADD CONSTRAINT "client_links_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_links" ADD CONSTRAINT "client_links_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consents" ADD CONSTRAINT "consents_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consents" ADD CONSTRAINT "consents_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consents" ADD CONSTRAINT "consents_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consultations" ADD CONSTRAINT "consultations_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consultations" ADD CONSTRAINT "consultations_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consultations" ADD CONSTRAINT "consultations_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "follow_ups" ADD CONSTRAINT "follow_ups_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_use" ADD CONSTRAINT "home_use_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "imports" ADD CONSTRAINT "imports_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "imports" ADD CONSTRAINT "imports_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lots" ADD CONSTRAINT "lots_product_id_products_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."products"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_countersigned_by_staff_id_fk" FOREIGN KEY ("countersigned_by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seal_items" ADD CONSTRAINT "seal_items_visit_id_seals_visit_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."seals"("visit_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seals" ADD CONSTRAINT "seals_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seals" ADD CONSTRAINT "seals_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_events" ADD CONSTRAINT "visit_events_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_events" ADD CONSTRAINT "visit_events_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_client" ON "audit" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "clients_name" ON "clients" USING btree (lower("name"));--> statement-breakpoint
CREATE INDEX "login_attempts_key_at" ON "login_attempts" USING btree ("key_hash","at");--> statement-breakpoint
CREATE UNIQUE INDEX "staff_email" ON "staff" USING btree (lower("email"));--> statement-breakpoint
CREATE INDEX "client_links_visit" ON "client_links" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "consultations_client" ON "consultations" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "meter_readings_client" ON "meter_readings" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "meter_readings_visit" ON "meter_readings" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "readings_client" ON "readings" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "visit_events_visit" ON "visit_events" USING btree ("visit_id","at");--> statement-breakpoint
CREATE INDEX "visits_starts" ON "visits" USING btree ("starts_at");--> statement-breakpoint
CREATE INDEX "visits_client" ON "visits" USING btree ("client_id","starts_at");--> statement-breakpoint
CREATE INDEX "visits_staff" ON "visits" USING btree ("staff_id");