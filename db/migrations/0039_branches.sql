CREATE TABLE "branches" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL,
	"key_hash" text,
	CONSTRAINT "branches_name_unique" UNIQUE("name"),
	CONSTRAINT "branches_key_hash_unique" UNIQUE("key_hash")
);
--> statement-breakpoint
CREATE TABLE "client_shares" (
	"id" uuid PRIMARY KEY NOT NULL,
	"home_branch" uuid NOT NULL,
	"home_file" uuid NOT NULL,
	"at_branch" uuid NOT NULL,
	"at_file" uuid NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "client_shares" ADD CONSTRAINT "client_shares_home_branch_branches_id_fk" FOREIGN KEY ("home_branch") REFERENCES "public"."branches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_shares" ADD CONSTRAINT "client_shares_at_branch_branches_id_fk" FOREIGN KEY ("at_branch") REFERENCES "public"."branches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "client_shares_once" ON "client_shares" USING btree ("home_file","at_branch") WHERE "client_shares"."ended_at" is null;--> statement-breakpoint
CREATE INDEX "client_shares_there" ON "client_shares" USING btree ("at_file");