CREATE TABLE `group_change` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`search` varchar(2000) NOT NULL,
	`said` varchar(2000) NOT NULL,
	`embeds` int NOT NULL,
	`undone_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `group_change_id` PRIMARY KEY(`id`),
	CONSTRAINT `group_change_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
CREATE TABLE `group_change_item` (
	`change_id` bigint unsigned NOT NULL,
	`embed_id` bigint unsigned NOT NULL,
	`from` int NOT NULL,
	`to` int NOT NULL,
	`version` int NOT NULL,
	CONSTRAINT `group_change_item_change_id_embed_id_pk` PRIMARY KEY(`change_id`,`embed_id`)
);
--> statement-breakpoint
ALTER TABLE `group_change` ADD CONSTRAINT `group_change_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `group_change_item` ADD CONSTRAINT `group_change_item_change_id_group_change_id_fk` FOREIGN KEY (`change_id`) REFERENCES `group_change`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `group_change_item` ADD CONSTRAINT `group_change_item_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;