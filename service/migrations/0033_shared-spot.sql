CREATE TABLE `shared_spot` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`name` varchar(60) character set ascii collate ascii_bin NOT NULL,
	`under` varchar(340) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`phone` smallint unsigned NOT NULL,
	`tablet` smallint unsigned NOT NULL,
	`desktop` smallint unsigned NOT NULL,
	`heights` json NOT NULL DEFAULT ('{}'),
	`selector` varchar(300),
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `shared_spot_id` PRIMARY KEY(`id`),
	CONSTRAINT `shared_spot_name` UNIQUE(`site_id`,`name`)
);
--> statement-breakpoint
ALTER TABLE `spot` ADD `shared` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `shared_spot` ADD CONSTRAINT `shared_spot_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shared_spot` ADD CONSTRAINT `shared_spot_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `shared_spot_list` ON `shared_spot` (`site_id`,`id`);