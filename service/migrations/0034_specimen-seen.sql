CREATE TABLE `specimen_seen` (
	`site_id` bigint unsigned NOT NULL,
	`page` varchar(1000) NOT NULL,
	`seen` json NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `specimen_seen_site_id` PRIMARY KEY(`site_id`)
);
--> statement-breakpoint
ALTER TABLE `specimen_seen` ADD CONSTRAINT `specimen_seen_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;