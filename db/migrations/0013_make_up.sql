ALTER TABLE "products" ADD COLUMN "colour_change" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "make_up" jsonb DEFAULT '["light"]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_make_up" CHECK (jsonb_typeof("visits"."make_up") = 'array');