CREATE TABLE "device_parts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"device_id" uuid NOT NULL,
	"name" text NOT NULL,
	"pieces" integer NOT NULL,
	"reorder_pieces" integer,
	CONSTRAINT "device_parts_pieces" CHECK ("device_parts"."pieces" between 0 and 10000)
);
--> statement-breakpoint
CREATE TABLE "pulse" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "pulse_one_row" CHECK ("pulse"."id" = 1)
);
--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "lock_minutes" integer DEFAULT 10 NOT NULL;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "owners_second_factor" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "card_text" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "licence_notes" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "totp_secret" text;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "totp_step" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "room_ids" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "reorder_millilitres" integer;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "countersigned_hash" text;--> statement-breakpoint
ALTER TABLE "amendments" ADD COLUMN "number" integer;--> statement-breakpoint
ALTER TABLE "amendments" ADD COLUMN "prev" text;--> statement-breakpoint
ALTER TABLE "amendments" ADD COLUMN "head" text;--> statement-breakpoint
ALTER TABLE "amendments" ADD COLUMN "commitment" text;--> statement-breakpoint
ALTER TABLE "amendments" ADD COLUMN "salt" text;--> statement-breakpoint
ALTER TABLE "device_parts" ADD CONSTRAINT "device_parts_device_id_devices_id_fk" FOREIGN KEY ("device_id") REFERENCES "public"."devices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_staff" ON "audit" USING btree ("staff_id","action","at");--> statement-breakpoint
CREATE INDEX "lots_product" ON "lots" USING btree ("product_id");--> statement-breakpoint
CREATE INDEX "lots_standing" ON "lots" USING btree ("product_id") WHERE "lots"."remaining_hundredths_ml" > 0;--> statement-breakpoint
CREATE INDEX "lots_opened" ON "lots" USING btree ("opened_on");--> statement-breakpoint
ALTER TABLE "amendments" ADD CONSTRAINT "amendments_number_unique" UNIQUE("number");--> statement-breakpoint
ALTER TABLE "amendments" ADD CONSTRAINT "amendments_prev_unique" UNIQUE("prev");--> statement-breakpoint
ALTER TABLE "amendments" ADD CONSTRAINT "amendments_head_unique" UNIQUE("head");--> statement-breakpoint
ALTER TABLE "practice" ADD CONSTRAINT "practice_lock" CHECK ("practice"."lock_minutes" between 1 and 120);