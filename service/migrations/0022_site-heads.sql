CREATE TABLE `head_delivery` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`number` int NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `head_delivery_id` PRIMARY KEY(`id`),
	CONSTRAINT `head_delivery_number` UNIQUE(`site_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `head_delivery_snippet` (
	`delivery_id` bigint unsigned NOT NULL,
	`at` smallint unsigned NOT NULL,
	`snippet_id` bigint unsigned NOT NULL,
	CONSTRAINT `head_delivery_snippet_delivery_id_at_pk` PRIMARY KEY(`delivery_id`,`at`)
);
--> statement-breakpoint
CREATE TABLE `page_need` (
	`page_id` bigint unsigned NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	CONSTRAINT `page_need_page_id_digest_pk` PRIMARY KEY(`page_id`,`digest`)
);
--> statement-breakpoint
CREATE TABLE `site_need` (
	`site_id` bigint unsigned NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`snippet_id` bigint unsigned NOT NULL,
	`what` enum('code','loader','listener','companion') NOT NULL,
	`name` varchar(200) NOT NULL,
	`after` json NOT NULL,
	`pages` int NOT NULL DEFAULT 0,
	`unneeded_since` datetime(3),
	`issued` int,
	`stands` enum('unknown','yes','no') NOT NULL DEFAULT 'unknown',
	`stands_on` bigint unsigned,
	`stands_since` datetime(3),
	CONSTRAINT `site_need_site_id_digest_pk` PRIMARY KEY(`site_id`,`digest`)
);
--> statement-breakpoint
ALTER TABLE `site` ADD `head_kept` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `head_delivery` ADD CONSTRAINT `head_delivery_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `head_delivery` ADD CONSTRAINT `head_delivery_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `head_delivery_snippet` ADD CONSTRAINT `head_delivery_snippet_delivery_id_head_delivery_id_fk` FOREIGN KEY (`delivery_id`) REFERENCES `head_delivery`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `head_delivery_snippet` ADD CONSTRAINT `head_delivery_snippet_snippet_id_snippet_id_fk` FOREIGN KEY (`snippet_id`) REFERENCES `snippet`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `page_need` ADD CONSTRAINT `page_need_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `page_need` ADD CONSTRAINT `page_need_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_need` ADD CONSTRAINT `site_need_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_need` ADD CONSTRAINT `site_need_snippet_id_snippet_id_fk` FOREIGN KEY (`snippet_id`) REFERENCES `snippet`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_need` ADD CONSTRAINT `site_need_stands_on_page_id_fk` FOREIGN KEY (`stands_on`) REFERENCES `page`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `site_need_pages` ON `site_need` (`site_id`,`pages`);--> statement-breakpoint
UPDATE `placement` SET `stale` = 'yes', `inputs` = `inputs` + 1 WHERE `active` = 1;