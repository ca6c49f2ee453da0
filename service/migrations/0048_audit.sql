CREATE TABLE `audit` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`number` int unsigned,
	`hash` varchar(64) character set ascii collate ascii_bin,
	`at` datetime(3) NOT NULL,
	`act` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`outcome` enum('done','refused') NOT NULL,
	`why` varchar(40) character set ascii collate ascii_bin,
	`thing` varchar(500),
	`person_id` bigint unsigned,
	`who` varchar(90),
	`means` enum('browser','token','link','nothing') NOT NULL,
	`network` varchar(50) character set ascii collate ascii_bin NOT NULL,
	`said` varchar(2000),
	`times` int unsigned NOT NULL DEFAULT 1,
	`before` mediumtext,
	`after` mediumtext,
	`contents` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`withheld` boolean NOT NULL DEFAULT false,
	`change_id` bigint unsigned,
	CONSTRAINT `audit_id` PRIMARY KEY(`id`),
	CONSTRAINT `audit_number_unique` UNIQUE(`number`)
);
--> statement-breakpoint
CREATE TABLE `audit_chain` (
	`id` tinyint NOT NULL,
	`number` int unsigned NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`dropped_number` int unsigned NOT NULL,
	`dropped_hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `audit_chain_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `audit` ADD CONSTRAINT `audit_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `audit_person` ON `audit` (`person_id`,`id`);--> statement-breakpoint
CREATE INDEX `audit_act` ON `audit` (`act`,`id`);--> statement-breakpoint
CREATE INDEX `audit_thing` ON `audit` (`thing`,`id`);--> statement-breakpoint
CREATE INDEX `audit_outcome` ON `audit` (`outcome`,`id`);--> statement-breakpoint
CREATE INDEX `audit_change` ON `audit` (`change_id`);--> statement-breakpoint
CREATE INDEX `embed_by` ON `embed` (`created_by`,`id`);