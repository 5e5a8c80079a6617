CREATE TABLE "cleanings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tool" text NOT NULL,
	"step" text NOT NULL,
	"pieces" integer NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"entered_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "cleanings_step" CHECK ("cleanings"."step" in ('washed','soaking','ready')),
	CONSTRAINT "cleanings_pieces" CHECK ("cleanings"."pieces" between 1 and 100)
);
--> statement-breakpoint
CREATE TABLE "house_costs" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"cents" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "house_costs_one_row" CHECK ("house_costs"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "prices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"cents" integer NOT NULL,
	"retired" boolean DEFAULT false NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "prices_cents" CHECK ("prices"."cents" between 0 and 10000000)
);
--> statement-breakpoint
CREATE TABLE "tool_uses" (
	"visit_id" uuid NOT NULL,
	"tool" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tool_uses_visit_id_tool_pk" PRIMARY KEY("visit_id","tool")
);
--> statement-breakpoint
CREATE TABLE "tools" (
	"tool" text PRIMARY KEY NOT NULL,
	"pieces" integer NOT NULL,
	"contact_minutes" integer NOT NULL,
	CONSTRAINT "tools_pieces" CHECK ("tools"."pieces" between 0 and 100),
	CONSTRAINT "tools_contact" CHECK ("tools"."contact_minutes" between 1 and 120)
);
--> statement-breakpoint
CREATE TABLE "tray_ticks" (
	"visit_id" uuid NOT NULL,
	"key" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tray_ticks_visit_id_key_pk" PRIMARY KEY("visit_id","key")
);
--> statement-breakpoint
CREATE TABLE "visit_costs" (
	"visit_id" uuid PRIMARY KEY NOT NULL,
	"lines" jsonb NOT NULL,
	"cents" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "visit_prices" (
	"visit_id" uuid PRIMARY KEY NOT NULL,
	"price_id" uuid NOT NULL,
	"cents" integer NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "cleanings" ADD CONSTRAINT "cleanings_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tool_uses" ADD CONSTRAINT "tool_uses_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray_ticks" ADD CONSTRAINT "tray_ticks_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray_ticks" ADD CONSTRAINT "tray_ticks_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_costs" ADD CONSTRAINT "visit_costs_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_prices" ADD CONSTRAINT "visit_prices_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_prices" ADD CONSTRAINT "visit_prices_price_id_prices_id_fk" FOREIGN KEY ("price_id") REFERENCES "public"."prices"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_prices" ADD CONSTRAINT "visit_prices_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cleanings_tool" ON "cleanings" USING btree ("tool","at");--> statement-breakpoint
CREATE INDEX "cleanings_at" ON "cleanings" USING btree ("at");--> statement-breakpoint
CREATE INDEX "tool_uses_tool" ON "tool_uses" USING btree ("tool","at");