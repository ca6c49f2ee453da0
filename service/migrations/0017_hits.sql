CREATE TABLE `hit` (
	`placement_id` bigint unsigned NOT NULL,
	`day` date NOT NULL,
	`page` varchar(300) character set ascii collate ascii_bin NOT NULL,
	`times` int unsigned NOT NULL,
	CONSTRAINT `hit_placement_id_day_page_pk` PRIMARY KEY(`placement_id`,`day`,`page`)
);
--> statement-breakpoint
ALTER TABLE `hit` ADD CONSTRAINT `hit_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;