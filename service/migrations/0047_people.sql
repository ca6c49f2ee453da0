CREATE TABLE `site_person` (
	`person_id` bigint unsigned NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`role` enum('reader','placer','editor') NOT NULL,
	CONSTRAINT `site_person_person_id_site_id_pk` PRIMARY KEY(`person_id`,`site_id`)
);
--> statement-breakpoint
ALTER TABLE `person` ADD `public_id` varchar(10) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `email` varchar(254);--> statement-breakpoint
ALTER TABLE `person` ADD `role` enum('reader','placer','editor','owner');--> statement-breakpoint
ALTER TABLE `person` ADD `seen_at` datetime(3);--> statement-breakpoint
ALTER TABLE `person` ADD `removed_at` datetime(3);--> statement-breakpoint
ALTER TABLE `person` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `created_by` bigint unsigned;--> statement-breakpoint
ALTER TABLE `change_log` ADD `undone_by` bigint unsigned;--> statement-breakpoint
UPDATE `person` SET `public_id` = LEFT(SHA2(CONCAT(UUID(), `id`), 256), 10), `role` = 'owner';--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_publicId_unique` UNIQUE(`public_id`);--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_name` UNIQUE(`name`);--> statement-breakpoint
ALTER TABLE `site_person` ADD CONSTRAINT `site_person_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_person` ADD CONSTRAINT `site_person_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `site_person_site` ON `site_person` (`site_id`);--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_log` ADD CONSTRAINT `change_log_undone_by_person_id_fk` FOREIGN KEY (`undone_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `placement_site_embed` ON `placement` (`site_id`,`embed_id`);--> statement-breakpoint
CREATE INDEX `placement_embed_site` ON `placement` (`embed_id`,`active`,`site_id`);--> statement-breakpoint
CREATE INDEX `change_by` ON `change_log` (`created_by`,`id`);--> statement-breakpoint
CREATE INDEX `change_by_standing` ON `change_log` (`created_by`,`undone_at`,`id`);