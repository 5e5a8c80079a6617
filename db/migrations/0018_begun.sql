ALTER TABLE "visits" ALTER COLUMN "make_up" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "visits" ALTER COLUMN "make_up" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "recovery_hashes" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "countersigned_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "unsigned" jsonb;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "begun_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "named" jsonb DEFAULT '[]'::jsonb NOT NULL;