CREATE TABLE `look` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`newest` tinyint,
	`foreign_bytes` bigint unsigned NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`seen` json NOT NULL,
	CONSTRAINT `look_id` PRIMARY KEY(`id`),
	CONSTRAINT `look_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
ALTER TABLE `look` ADD CONSTRAINT `look_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `look` ADD CONSTRAINT `look_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `look_page` ON `look` (`page_id`,`id`);--> statement-breakpoint
CREATE INDEX `look_heaviest` ON `look` (`newest`,`foreign_bytes`,`id`);--> statement-breakpoint
CREATE INDEX `look_heaviest_of_site` ON `look` (`site_id`,`newest`,`foreign_bytes`,`id`);