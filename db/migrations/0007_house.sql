CREATE TABLE "staff_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"staff_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"by" uuid NOT NULL,
	CONSTRAINT "staff_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "house_kind" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"kind" text NOT NULL,
	CONSTRAINT "house_kind_one_row" CHECK ("house_kind"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "lot_movements" (
	"id" uuid PRIMARY KEY NOT NULL,
	"lot_id" text NOT NULL,
	"kind" text NOT NULL,
	"hundredths" integer NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"visit_id" uuid,
	"by" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "products" DROP CONSTRAINT "products_amounts";--> statement-breakpoint
ALTER TABLE "lots" ALTER COLUMN "remaining_hundredths_ml" SET DEFAULT 0;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "currency" text DEFAULT 'EUR' NOT NULL;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "serial" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "service_due" date;--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "retired" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "rooms" ADD COLUMN "closed" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "staff_links" ADD CONSTRAINT "staff_links_staff_id_staff_id_fk" FOREIGN KEY ("staff_id") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff_links" ADD CONSTRAINT "staff_links_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movements" ADD CONSTRAINT "lot_movements_lot_id_lots_id_fk" FOREIGN KEY ("lot_id") REFERENCES "public"."lots"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movements" ADD CONSTRAINT "lot_movements_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_movements" ADD CONSTRAINT "lot_movements_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "staff_links_staff" ON "staff_links" USING btree ("staff_id");--> statement-breakpoint
CREATE INDEX "lot_movements_lot" ON "lot_movements" USING btree ("lot_id","at");--> statement-breakpoint
ALTER TABLE "products" ADD CONSTRAINT "products_amounts" CHECK ("products"."density_per_mille" between 500 and 3000 and "products"."pack_millilitres" > 0
        and "products"."price_cents" >= 0 and "products"."open_months" between 1 and 60);