CREATE TABLE `provider_sheet` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`sheet_id` varchar(60) character set ascii collate ascii_bin NOT NULL,
	`text` mediumtext NOT NULL,
	`sheet` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`changed_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `provider_sheet_id` PRIMARY KEY(`id`),
	CONSTRAINT `provider_sheet_sheetId_unique` UNIQUE(`sheet_id`)
);
--> statement-breakpoint
CREATE TABLE `rule` (
	`id` tinyint NOT NULL,
	`rules` json NOT NULL,
	`version` int NOT NULL,
	`changed_at` datetime(3) NOT NULL,
	CONSTRAINT `rule_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `provider_sheet` ADD CONSTRAINT `provider_sheet_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;