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
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "meter_readings" ADD CONSTRAINT "meter_readings_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "meter_readings_client" ON "meter_readings" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "meter_readings_visit" ON "meter_readings" USING btree ("visit_id");