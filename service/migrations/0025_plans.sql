CREATE TABLE `plan_link` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`name` varchar(80) NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `plan_link_id` PRIMARY KEY(`id`),
	CONSTRAINT `plan_link_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `plan_link_hash_unique` UNIQUE(`hash`)
);
--> statement-breakpoint
CREATE TABLE `step_tick` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`step` varchar(16) character set ascii collate ascii_bin NOT NULL,
	`ticked_at` datetime(3) NOT NULL,
	`person_id` bigint unsigned,
	`link_name` varchar(80),
	CONSTRAINT `step_tick_id` PRIMARY KEY(`id`),
	CONSTRAINT `step_tick_once` UNIQUE(`page_id`,`step`)
);
--> statement-breakpoint
ALTER TABLE `plan_link` ADD CONSTRAINT `plan_link_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan_link` ADD CONSTRAINT `plan_link_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `step_tick` ADD CONSTRAINT `step_tick_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `step_tick` ADD CONSTRAINT `step_tick_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `plan_link_page` ON `plan_link` (`page_id`,`id`);