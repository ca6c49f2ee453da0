ALTER TABLE `harvest_item` ADD `is_own` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `harvest_item` ADD `shares_with` int DEFAULT 0 NOT NULL;