CREATE TABLE `finding` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`same` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`rule` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`rank` tinyint NOT NULL,
	`list` enum('open','later','muted','solved') NOT NULL DEFAULT 'open',
	`site_id` bigint unsigned NOT NULL,
	`page_id` bigint unsigned,
	`placement_id` bigint unsigned,
	`times` int NOT NULL DEFAULT 0,
	`facts` json NOT NULL,
	`details` json NOT NULL,
	`code` mediumtext,
	`first_seen_at` datetime(3) NOT NULL,
	`last_seen_at` datetime(3) NOT NULL,
	`noticed_at` datetime(3),
	`until` datetime(3),
	`reason` varchar(500) NOT NULL DEFAULT '',
	`decided_at` datetime(3),
	`decided_by` bigint unsigned,
	`solved_at` datetime(3),
	CONSTRAINT `finding_id` PRIMARY KEY(`id`),
	CONSTRAINT `finding_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `finding_same_unique` UNIQUE(`same`)
);
--> statement-breakpoint
CREATE TABLE `finding_at` (
	`finding_id` bigint unsigned NOT NULL,
	`scope` varchar(40) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `finding_at_finding_id_scope_pk` PRIMARY KEY(`finding_id`,`scope`)
);
--> statement-breakpoint
CREATE TABLE `finding_count` (
	`site_id` bigint unsigned NOT NULL,
	`rule` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`open` int NOT NULL,
	CONSTRAINT `finding_count_site_id_rule_pk` PRIMARY KEY(`site_id`,`rule`)
);
--> statement-breakpoint
ALTER TABLE `delivery` ADD `as_found` tinyint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `sweep_page` ADD `findings` json;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_decided_by_person_id_fk` FOREIGN KEY (`decided_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding_at` ADD CONSTRAINT `finding_at_finding_id_finding_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `finding`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `finding_list` ON `finding` (`list`,`rank`,`id`);--> statement-breakpoint
CREATE INDEX `finding_site` ON `finding` (`site_id`,`list`,`rank`,`id`);--> statement-breakpoint
CREATE INDEX `finding_rule` ON `finding` (`rule`,`list`,`rank`,`id`);--> statement-breakpoint
CREATE INDEX `finding_site_rule` ON `finding` (`site_id`,`rule`,`list`,`rank`,`id`);--> statement-breakpoint
CREATE INDEX `finding_until` ON `finding` (`list`,`until`);--> statement-breakpoint
CREATE INDEX `finding_placement` ON `finding` (`placement_id`,`list`);--> statement-breakpoint
CREATE INDEX `finding_at_scope` ON `finding_at` (`scope`);--> statement-breakpoint
CREATE INDEX `finding_count_rule` ON `finding_count` (`rule`,`open`);