CREATE TABLE "own_kinds" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" jsonb NOT NULL,
	"retired_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "own_ways" (
	"id" uuid PRIMARY KEY NOT NULL,
	"way" jsonb NOT NULL,
	"device_id" text,
	"retired_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "own_kinds" ADD CONSTRAINT "own_kinds_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_ways" ADD CONSTRAINT "own_ways_device_id_own_kinds_id_fk" FOREIGN KEY ("device_id") REFERENCES "public"."own_kinds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_ways" ADD CONSTRAINT "own_ways_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;