CREATE TABLE `change_item` (
	`change_id` bigint unsigned NOT NULL,
	`embed_id` bigint unsigned NOT NULL,
	`from` int NOT NULL,
	`to` int NOT NULL,
	CONSTRAINT `change_item_change_id_embed_id_pk` PRIMARY KEY(`change_id`,`embed_id`)
);
--> statement-breakpoint
CREATE TABLE `change_log` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`kind` varchar(20) NOT NULL,
	`facts` json NOT NULL,
	`effect` json,
	`undone_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `change_log_id` PRIMARY KEY(`id`),
	CONSTRAINT `change_log_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
INSERT INTO `change_log` (`id`, `public_id`, `kind`, `facts`, `undone_at`, `created_at`, `created_by`)
	SELECT `id`, `public_id`, 'group', JSON_OBJECT('kind', 'group', 'where', `search`, 'said', `said`, 'count', `embeds`), `undone_at`, `created_at`, `created_by`
	FROM `group_change`;--> statement-breakpoint
INSERT INTO `change_item` (`change_id`, `embed_id`, `from`, `to`)
	SELECT `change_id`, `embed_id`, `from`, `to` FROM `group_change_item`;--> statement-breakpoint
DROP TABLE `group_change_item`;--> statement-breakpoint
DROP TABLE `group_change`;--> statement-breakpoint
ALTER TABLE `change_item` ADD CONSTRAINT `change_item_change_id_change_log_id_fk` FOREIGN KEY (`change_id`) REFERENCES `change_log`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_item` ADD CONSTRAINT `change_item_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `change_log` ADD CONSTRAINT `change_log_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `change_item_embed` ON `change_item` (`embed_id`,`change_id`);--> statement-breakpoint
CREATE INDEX `change_standing` ON `change_log` (`undone_at`,`id`);--> statement-breakpoint
ALTER TABLE `page` ADD `version` int DEFAULT 1 NOT NULL;
