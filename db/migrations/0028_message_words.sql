ALTER TABLE "practice" ADD COLUMN "question_message" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "practice" ADD COLUMN "card_message" text DEFAULT '' NOT NULL;