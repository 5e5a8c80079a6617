-- The edge of the basin is called the tolerance: what houses have decided under the old names goes on.
UPDATE house_rules SET rule = 'retinoid-tolerance' WHERE rule = 'retinoid-rim';
--> statement-breakpoint
UPDATE lifts SET rule = 'retinoid-tolerance' WHERE rule = 'retinoid-rim';
--> statement-breakpoint
UPDATE house_rules
SET change = jsonb_set(change #- '{limit,rimPercent}', '{limit,tolerancePercent}', change #> '{limit,rimPercent}')
WHERE change #> '{limit,rimPercent}' IS NOT NULL;
