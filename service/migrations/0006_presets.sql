CREATE TABLE `preset` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`key` varchar(80) character set ascii collate ascii_bin NOT NULL,
	`meaning` varchar(300) NOT NULL,
	`settings` json NOT NULL,
	`dress` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `preset_id` PRIMARY KEY(`id`),
	CONSTRAINT `preset_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
ALTER TABLE `preset` ADD CONSTRAINT `preset_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;