DELETE FROM `session`;--> statement-breakpoint
CREATE TABLE `attempt` (
	`scope` varchar(100) character set ascii collate ascii_bin NOT NULL,
	`count` int NOT NULL,
	`last_at` datetime(3) NOT NULL,
	`blocked_until` datetime(3) NOT NULL,
	CONSTRAINT `attempt_scope` PRIMARY KEY(`scope`)
);
--> statement-breakpoint
CREATE TABLE `device` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `device_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
ALTER TABLE `session` ADD `public_id` varchar(10) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `session` ADD `used_at` datetime(3) NOT NULL;--> statement-breakpoint
ALTER TABLE `session` ADD `address` varchar(45) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `session` ADD `agent` varchar(200) NOT NULL;--> statement-breakpoint
ALTER TABLE `token` ADD `access` enum('all','read') DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE `token` ADD `expires_at` datetime(3);--> statement-breakpoint
UPDATE `token` SET `expires_at` = utc_timestamp(3) + INTERVAL 1 YEAR;--> statement-breakpoint
ALTER TABLE `token` MODIFY `expires_at` datetime(3) NOT NULL;--> statement-breakpoint
ALTER TABLE `token` ADD `last_used_from` varchar(45) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `placement` ADD `linked_at` datetime(3);--> statement-breakpoint
UPDATE `placement` SET `linked_at` = `created_at`;--> statement-breakpoint
ALTER TABLE `job` ADD `exclusive_key` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_publicId_unique` UNIQUE(`public_id`);--> statement-breakpoint
ALTER TABLE `job` ADD CONSTRAINT `job_exclusiveKey_unique` UNIQUE(`exclusive_key`);--> statement-breakpoint
ALTER TABLE `device` ADD CONSTRAINT `device_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `device_person` ON `device` (`person_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `session_person` ON `session` (`person_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `placement_active` ON `placement` (`active`,`id`);--> statement-breakpoint
CREATE INDEX `placement_seen` ON `placement` (`active`,`seen`,`id`);