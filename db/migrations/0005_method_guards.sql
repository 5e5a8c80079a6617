GRANT SELECT, INSERT ON house_policies, protocols, protocol_versions TO oak_app;
--> statement-breakpoint
GRANT UPDATE (retired_at) ON protocols TO oak_app;
