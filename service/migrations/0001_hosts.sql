CREATE TABLE `embed_host` (
	`embed_id` bigint unsigned NOT NULL,
	`host` varchar(253) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `embed_host_embed_id_host_pk` PRIMARY KEY(`embed_id`,`host`)
);
--> statement-breakpoint
ALTER TABLE `embed_host` ADD CONSTRAINT `embed_host_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `embed_host_host` ON `embed_host` (`host`);