ALTER TABLE `placement` MODIFY COLUMN `state` enum('planned','live','altered','missing','unreachable','out-of-date','paused') NOT NULL DEFAULT 'planned';--> statement-breakpoint
ALTER TABLE `sighting` MODIFY COLUMN `state` enum('planned','live','altered','missing','unreachable','out-of-date','paused') NOT NULL;--> statement-breakpoint
ALTER TABLE `page` ADD `gone_at` datetime(3);--> statement-breakpoint
ALTER TABLE `page` ADD `gone_with` int;--> statement-breakpoint
ALTER TABLE `site` ADD `gone_at` datetime(3);--> statement-breakpoint
ALTER TABLE `placement` ADD `note` varchar(2000) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `paused_at` datetime(3);--> statement-breakpoint
ALTER TABLE `placement` ADD `ended_with` int;--> statement-breakpoint
CREATE INDEX `page_list` ON `page` (`gone_at`,`id`);--> statement-breakpoint
CREATE INDEX `page_site` ON `page` (`site_id`,`gone_at`,`id`);