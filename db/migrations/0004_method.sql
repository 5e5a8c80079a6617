CREATE TABLE "house_policies" (
	"id" uuid PRIMARY KEY NOT NULL,
	"policy" jsonb NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "protocol_versions" (
	"protocol_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"steps" jsonb NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "protocol_versions_protocol_id_version_pk" PRIMARY KEY("protocol_id","version"),
	CONSTRAINT "protocol_versions_number" CHECK ("protocol_versions"."version" >= 1)
);
--> statement-breakpoint
CREATE TABLE "protocols" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"retired_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "protocol_id" uuid;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "protocol_version" integer;--> statement-breakpoint
ALTER TABLE "products" ADD COLUMN "acid" jsonb;--> statement-breakpoint
ALTER TABLE "house_policies" ADD CONSTRAINT "house_policies_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "protocol_versions" ADD CONSTRAINT "protocol_versions_protocol_id_protocols_id_fk" FOREIGN KEY ("protocol_id") REFERENCES "public"."protocols"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "protocol_versions" ADD CONSTRAINT "protocol_versions_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;