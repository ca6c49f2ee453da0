CREATE TABLE `embed_picture` (
	`embed_id` bigint unsigned NOT NULL,
	`revision` int NOT NULL,
	`data` mediumblob NOT NULL,
	`width` smallint unsigned NOT NULL,
	`height` smallint unsigned NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	CONSTRAINT `embed_picture_embed_id` PRIMARY KEY(`embed_id`)
);
--> statement-breakpoint
ALTER TABLE `embed_picture` ADD CONSTRAINT `embed_picture_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;