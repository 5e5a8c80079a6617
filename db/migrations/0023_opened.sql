CREATE TABLE "opened_things" (
	"id" uuid PRIMARY KEY NOT NULL,
	"what" text NOT NULL,
	"name" text NOT NULL,
	"product_id" text,
	"lot_id" text,
	"client_id" uuid,
	"visit_id" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"by" uuid NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_how" text,
	"ended_by" uuid,
	CONSTRAINT "opened_things_what" CHECK ("opened_things"."what" in ('half','mix','cloths','bath','pack')),
	CONSTRAINT "opened_things_until" CHECK ("opened_things"."until" > "opened_things"."at"),
	CONSTRAINT "opened_things_whose" CHECK ("opened_things"."what" not in ('half','mix') or "opened_things"."client_id" is not null)
);
--> statement-breakpoint
ALTER TABLE "cleanings" DROP CONSTRAINT "cleanings_step";--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "rests" jsonb;--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "way_off" text;--> statement-breakpoint
ALTER TABLE "tools" ADD COLUMN "change_after" integer;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_product_id_products_id_fk" FOREIGN KEY ("product_id") REFERENCES "public"."products"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_lot_id_lots_id_fk" FOREIGN KEY ("lot_id") REFERENCES "public"."lots"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "opened_things" ADD CONSTRAINT "opened_things_ended_by_staff_id_fk" FOREIGN KEY ("ended_by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "opened_things_client" ON "opened_things" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "opened_things_open" ON "opened_things" USING btree ("until") WHERE "opened_things"."ended_at" is null;--> statement-breakpoint
ALTER TABLE "cleanings" ADD CONSTRAINT "cleanings_step" CHECK ("cleanings"."step" in ('washed','soaking','ready','changed'));