ALTER TABLE `site` ADD `schedule` json;--> statement-breakpoint
ALTER TABLE `site` ADD `next_sweep_at` datetime(3);--> statement-breakpoint
CREATE INDEX `site_due` ON `site` (`next_sweep_at`);