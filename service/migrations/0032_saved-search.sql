CREATE TABLE `saved_search` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`name` varchar(60) NOT NULL,
	`where` varchar(2000) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `saved_search_id` PRIMARY KEY(`id`),
	CONSTRAINT `saved_search_name_unique` UNIQUE(`name`)
);
--> statement-breakpoint
ALTER TABLE `saved_search` ADD CONSTRAINT `saved_search_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;