CREATE TABLE `change_list` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(120) NOT NULL,
	`search` varchar(2000) NOT NULL,
	`pages` int NOT NULL DEFAULT 0,
	`ticked` int NOT NULL DEFAULT 0,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `change_list_id` PRIMARY KEY(`id`),
	CONSTRAINT `change_list_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
CREATE TABLE `change_list_page` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`list_id` bigint unsigned NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`ticked_at` datetime(3),
	`ticked_by` bigint unsigned,
	`work` varchar(64) character set ascii collate ascii_bin,
	`again` boolean NOT NULL DEFAULT false,
	CONSTRAINT `change_list_page_id` PRIMARY KEY(`id`),
	CONSTRAINT `change_list_once` UNIQUE(`list_id`,`page_id`)
);
--> statement-breakpoint
ALTER TABLE `change_list` ADD CONSTRAINT `change_list_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_list_page` ADD CONSTRAINT `change_list_page_list_id_change_list_id_fk` FOREIGN KEY (`list_id`) REFERENCES `change_list`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_list_page` ADD CONSTRAINT `change_list_page_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_list_page` ADD CONSTRAINT `change_list_page_ticked_by_person_id_fk` FOREIGN KEY (`ticked_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `change_list_pages` ON `change_list_page` (`list_id`,`id`);--> statement-breakpoint
CREATE INDEX `change_list_open` ON `change_list_page` (`list_id`,`ticked_at`,`id`);--> statement-breakpoint
CREATE INDEX `change_list_ticked` ON `change_list_page` (`page_id`,`ticked_at`);