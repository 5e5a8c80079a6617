-- Parts of a name are found by three letters at a time.
CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
DROP INDEX "clients_name";--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at","id");--> statement-breakpoint
CREATE INDEX "audit_action" ON "audit" USING btree ("action","at","id");--> statement-breakpoint
CREATE INDEX "audit_refused" ON "audit" USING btree ("at","id") WHERE not "audit"."allowed";--> statement-breakpoint
CREATE INDEX "clients_name_parts" ON "clients" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "clients_work_parts" ON "clients" USING gin ("work" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "clients_name" ON "clients" USING btree (lower("name"),"id");
