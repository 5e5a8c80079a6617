ALTER TABLE "staff" DROP CONSTRAINT "staff_role";--> statement-breakpoint
ALTER TABLE "staff" ADD CONSTRAINT "staff_role" CHECK ("staff"."role" in ('owner','therapist','trainee','receptionist'));