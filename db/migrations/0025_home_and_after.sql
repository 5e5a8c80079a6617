CREATE TABLE "home_asked" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"asked" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "home_routines" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"asked" jsonb NOT NULL,
	"wishes" jsonb NOT NULL,
	"routine" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "check_ins" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"due_on" date NOT NULL,
	"answers" jsonb,
	"outcome" text,
	"answered_at" timestamp with time zone,
	"told_to" uuid,
	"jpeg" text,
	"done_at" timestamp with time zone,
	"done_by" uuid,
	"note" text,
	"suspected" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "check_ins_answer" CHECK (("check_ins"."answered_at" is null) = ("check_ins"."outcome" is null)),
	CONSTRAINT "check_ins_done" CHECK ("check_ins"."done_at" is null or "check_ins"."done_by" is not null)
);
--> statement-breakpoint
CREATE TABLE "home_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"check_in_id" uuid,
	"token_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "home_links_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "messages" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"check_in_id" uuid,
	"channel" text NOT NULL,
	"sent_to" text NOT NULL,
	"words" text,
	"status" text DEFAULT 'waiting' NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_at" timestamp with time zone NOT NULL,
	"trouble" text,
	"ended_at" timestamp with time zone,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "messages_check_in_id_unique" UNIQUE("check_in_id"),
	CONSTRAINT "messages_channel" CHECK ("messages"."channel" in ('mail','text')),
	CONSTRAINT "messages_status" CHECK ("messages"."status" in ('waiting','sent','failed','stopped'))
);
--> statement-breakpoint
CREATE TABLE "referrals" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"regions" jsonb NOT NULL,
	"seen" text NOT NULL,
	"since" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"answer" text,
	"answered_at" timestamp with time zone,
	"answered_by" uuid,
	CONSTRAINT "referrals_answer" CHECK (("referrals"."answered_at" is null) = ("referrals"."answer" is null))
);
--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "messages" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "client_links" ADD COLUMN "home" jsonb;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "taken" text;--> statement-breakpoint
ALTER TABLE "home_asked" ADD CONSTRAINT "home_asked_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_asked" ADD CONSTRAINT "home_asked_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_asked" ADD CONSTRAINT "home_asked_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_routines" ADD CONSTRAINT "home_routines_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_routines" ADD CONSTRAINT "home_routines_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_routines" ADD CONSTRAINT "home_routines_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_told_to_staff_id_fk" FOREIGN KEY ("told_to") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_done_by_staff_id_fk" FOREIGN KEY ("done_by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_suspected_products_id_fk" FOREIGN KEY ("suspected") REFERENCES "public"."products"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_links" ADD CONSTRAINT "home_links_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "home_links" ADD CONSTRAINT "home_links_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "referrals" ADD CONSTRAINT "referrals_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "referrals" ADD CONSTRAINT "referrals_by_staff_id_fk" FOREIGN KEY ("by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "referrals" ADD CONSTRAINT "referrals_answered_by_staff_id_fk" FOREIGN KEY ("answered_by") REFERENCES "public"."staff"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "home_asked_client" ON "home_asked" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "home_routines_client" ON "home_routines" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "check_ins_visit" ON "check_ins" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "check_ins_open" ON "check_ins" USING btree ("due_on") WHERE "check_ins"."done_at" is null;--> statement-breakpoint
CREATE INDEX "home_links_visit" ON "home_links" USING btree ("visit_id");--> statement-breakpoint
CREATE INDEX "messages_waiting" ON "messages" USING btree ("next_at") WHERE "messages"."status" = 'waiting';--> statement-breakpoint
CREATE INDEX "messages_client" ON "messages" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "referrals_visit" ON "referrals" USING btree ("visit_id");--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_messages" CHECK ("clients"."messages" in ('none','mail','text'));--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_taken" CHECK ("visits"."taken" in ('well','badly'));