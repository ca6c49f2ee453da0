CREATE TABLE `block_page` (
	`placement_id` bigint unsigned NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`seen` enum('planned','live','altered','missing','unreachable') NOT NULL,
	CONSTRAINT `block_page_placement_id_page_id_pk` PRIMARY KEY(`placement_id`,`page_id`)
);
--> statement-breakpoint
ALTER TABLE `page` ADD `stands` enum('before','after');--> statement-breakpoint
ALTER TABLE `page` ADD `under` varchar(340) character set utf8mb4 collate utf8mb4_bin;--> statement-breakpoint
ALTER TABLE `block_page` ADD CONSTRAINT `block_page_placement` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `block_page` ADD CONSTRAINT `block_page_page` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `block_page_seen` ON `block_page` (`placement_id`,`seen`,`page_id`);