CREATE TABLE `harvest` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`address` varchar(2000),
	`title` varchar(200),
	`findings` json NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `harvest_id` PRIMARY KEY(`id`),
	CONSTRAINT `harvest_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
CREATE TABLE `harvest_item` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`harvest_id` bigint unsigned NOT NULL,
	`number` int NOT NULL,
	`name` varchar(120) NOT NULL,
	`text` longtext NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`kind` varchar(20) NOT NULL,
	`provider` varchar(60),
	`hosts` json NOT NULL,
	`level` enum('error','warning','note'),
	`heading` varchar(200),
	`line` int NOT NULL,
	`column` int NOT NULL,
	`marked_embed_id` bigint unsigned,
	`taken_embed_id` bigint unsigned,
	CONSTRAINT `harvest_item_id` PRIMARY KEY(`id`),
	CONSTRAINT `harvest_item_number` UNIQUE(`harvest_id`,`number`)
);
--> statement-breakpoint
ALTER TABLE `source` ADD `digest` varchar(64) character set ascii collate ascii_bin NOT NULL;--> statement-breakpoint
UPDATE `source` SET `digest` = SHA2(`base`, 256);--> statement-breakpoint
ALTER TABLE `harvest` ADD CONSTRAINT `harvest_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `harvest_item` ADD CONSTRAINT `harvest_item_harvest_id_harvest_id_fk` FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `harvest_item` ADD CONSTRAINT `harvest_item_marked_embed_id_embed_id_fk` FOREIGN KEY (`marked_embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `harvest_item` ADD CONSTRAINT `harvest_item_taken_embed_id_embed_id_fk` FOREIGN KEY (`taken_embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `source_digest` ON `source` (`digest`);