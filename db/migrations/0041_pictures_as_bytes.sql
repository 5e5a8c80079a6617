ALTER TABLE "photographs" ALTER COLUMN "jpeg" SET DATA TYPE bytea USING decode("jpeg", 'base64');--> statement-breakpoint
ALTER TABLE "check_ins" ALTER COLUMN "jpeg" SET DATA TYPE bytea USING decode("jpeg", 'base64');
