CREATE TABLE `page_read` (
	`page_id` bigint unsigned NOT NULL,
	`shown_by` bigint unsigned NOT NULL,
	`shown` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`content` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`basis` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`etag` varchar(300) NOT NULL,
	`head` json NOT NULL,
	CONSTRAINT `page_read_page_id` PRIMARY KEY(`page_id`)
);
--> statement-breakpoint
CREATE TABLE `sweep_lane` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`job_id` bigint unsigned NOT NULL,
	`host_id` bigint unsigned NOT NULL,
	CONSTRAINT `sweep_lane_id` PRIMARY KEY(`id`),
	CONSTRAINT `sweep_lane_once` UNIQUE(`job_id`,`host_id`)
);
--> statement-breakpoint
CREATE TABLE `swept_host` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`name` varchar(300) NOT NULL,
	`lease_owner` varchar(40) character set ascii collate ascii_bin,
	`lease_until` datetime(3),
	`paused_until` datetime(3),
	CONSTRAINT `swept_host_id` PRIMARY KEY(`id`),
	CONSTRAINT `swept_host_name_unique` UNIQUE(`name`)
);
--> statement-breakpoint
DROP INDEX `sweep_page_next` ON `sweep_page`;--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `state` enum('waiting','running','paused','done','stopped','failed') NOT NULL DEFAULT 'waiting';--> statement-breakpoint
ALTER TABLE `sweep_page` ADD `host_id` bigint unsigned;--> statement-breakpoint
ALTER TABLE `sweep_page` ADD `tries` tinyint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `sweep_page` ADD `same_as` bigint unsigned;--> statement-breakpoint
ALTER TABLE `page_read` ADD CONSTRAINT `page_read_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sweep_lane` ADD CONSTRAINT `sweep_lane_job_id_job_id_fk` FOREIGN KEY (`job_id`) REFERENCES `job`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sweep_lane` ADD CONSTRAINT `sweep_lane_host_id_swept_host_id_fk` FOREIGN KEY (`host_id`) REFERENCES `swept_host`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `sweep_page_events` ON `sweep_page` (`page_id`,`same_as`,`id`);--> statement-breakpoint
CREATE INDEX `sweep_page_next` ON `sweep_page` (`job_id`,`host_id`,`state`,`id`);--> statement-breakpoint
UPDATE `job` SET `state` = 'stopped', `ended_at` = UTC_TIMESTAMP(3), `exclusive_key` = NULL, `lease_until` = NULL WHERE `kind` = 'sweep' AND `state` IN ('waiting', 'running');
