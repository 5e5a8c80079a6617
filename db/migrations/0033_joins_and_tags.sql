CREATE TABLE "client_joins" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kept_id" uuid NOT NULL,
	"joined_id" uuid NOT NULL,
	"joined" jsonb,
	"filled" jsonb,
	"moved" jsonb NOT NULL,
	"dropped" jsonb NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"parted_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "tags" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "client_joins" ADD CONSTRAINT "client_joins_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "client_joins_kept" ON "client_joins" USING btree ("kept_id");--> statement-breakpoint
CREATE INDEX "clients_tags" ON "clients" USING gin ("tags") WHERE "clients"."tags" <> '[]';--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_tags_list" CHECK (jsonb_typeof("clients"."tags") = 'array');