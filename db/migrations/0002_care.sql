CREATE TABLE "half_faces" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"moment" text NOT NULL,
	"worked" text NOT NULL,
	"light" text NOT NULL,
	"grades" jsonb,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "half_faces_moment" CHECK ("half_faces"."moment" in ('before','after')),
	CONSTRAINT "half_faces_worked" CHECK ("half_faces"."worked" in ('L','R'))
);
--> statement-breakpoint
CREATE TABLE "house_rules" (
	"id" uuid PRIMARY KEY NOT NULL,
	"rule" text NOT NULL,
	"change" jsonb NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "lifts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"rule" text NOT NULL,
	"word" text,
	"reason" text,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "patch_reads" (
	"id" uuid PRIMARY KEY NOT NULL,
	"test_id" uuid NOT NULL,
	"result" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "patch_reads_result" CHECK ("patch_reads"."result" in ('clear','reaction'))
);
--> statement-breakpoint
CREATE TABLE "patch_tests" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"product_id" text NOT NULL,
	"place" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "patch_tests_place" CHECK ("patch_tests"."place" in ('behindEar','innerElbow'))
);
--> statement-breakpoint
CREATE TABLE "withdrawals" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"kinds" jsonb NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "preferences" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "allows" jsonb DEFAULT '["basic","machine","current","needling025","needling05"]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "licence_until" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "consents" ADD COLUMN "kinds" jsonb DEFAULT '["care","exfoliation","machine","current","needling"]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "whole" jsonb;--> statement-breakpoint
ALTER TABLE "half_faces" ADD CONSTRAINT "half_faces_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "half_faces" ADD CONSTRAINT "half_faces_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "house_rules" ADD CONSTRAINT "house_rules_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifts" ADD CONSTRAINT "lifts_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lifts" ADD CONSTRAINT "lifts_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch_reads" ADD CONSTRAINT "patch_reads_test_id_patch_tests_id_fk" FOREIGN KEY ("test_id") REFERENCES "public"."patch_tests"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch_reads" ADD CONSTRAINT "patch_reads_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch_tests" ADD CONSTRAINT "patch_tests_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch_tests" ADD CONSTRAINT "patch_tests_product_id_products_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."products"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch_tests" ADD CONSTRAINT "patch_tests_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "withdrawals" ADD CONSTRAINT "withdrawals_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "withdrawals" ADD CONSTRAINT "withdrawals_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "half_faces_visit" ON "half_faces" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "lifts_visit" ON "lifts" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "patch_reads_test" ON "patch_reads" USING btree ("test_id");--> statement-breakpoint
CREATE INDEX "patch_tests_client" ON "patch_tests" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "withdrawals_client" ON "withdrawals" USING btree ("client_id");