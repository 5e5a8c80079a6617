GRANT SELECT, INSERT, DELETE ON tray_ticks TO oak_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON tools, house_costs, prices TO oak_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON visit_prices TO oak_app;
--> statement-breakpoint
-- What was used, what was cleaned and what a sealed visit has cost is written once and stands.
GRANT SELECT, INSERT ON tool_uses, cleanings, visit_costs TO oak_app;
