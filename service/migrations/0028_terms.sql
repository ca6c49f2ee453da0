CREATE TABLE `embed_views` (
	`embed_id` bigint unsigned NOT NULL,
	`month` varchar(7) character set ascii collate ascii_bin NOT NULL,
	`times` int unsigned NOT NULL,
	CONSTRAINT `embed_views_embed_id_month_pk` PRIMARY KEY(`embed_id`,`month`)
);
--> statement-breakpoint
CREATE TABLE `provider_views` (
	`provider` varchar(60) character set ascii collate ascii_bin NOT NULL,
	`month` varchar(7) character set ascii collate ascii_bin NOT NULL,
	`times` int unsigned NOT NULL,
	CONSTRAINT `provider_views_provider_month_pk` PRIMARY KEY(`provider`,`month`)
);
--> statement-breakpoint
CREATE TABLE `terms` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`embed_id` bigint unsigned,
	`provider` varchar(60) character set ascii collate ascii_bin,
	`views_a_month` int unsigned,
	`price_amount` decimal(12,2),
	`price_currency` char(3),
	`price_every` enum('month','year','once'),
	`licence` varchar(300) NOT NULL DEFAULT '',
	`ends` date,
	`personal_data` boolean,
	`version` int NOT NULL DEFAULT 1,
	`changed_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `terms_id` PRIMARY KEY(`id`),
	CONSTRAINT `terms_embedId_unique` UNIQUE(`embed_id`),
	CONSTRAINT `terms_provider_unique` UNIQUE(`provider`)
);
--> statement-breakpoint
ALTER TABLE `embed_views` ADD CONSTRAINT `embed_views_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `terms` ADD CONSTRAINT `terms_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `terms` ADD CONSTRAINT `terms_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `terms_ends` ON `terms` (`ends`);--> statement-breakpoint
CREATE INDEX `terms_views` ON `terms` (`views_a_month`);--> statement-breakpoint
REPLACE INTO `embed_views` (`embed_id`, `month`, `times`)
	SELECT `placement`.`embed_id`, DATE_FORMAT(`hit`.`day`, '%Y-%m') AS `of_month`, SUM(`hit`.`times`)
	FROM `hit` JOIN `placement` ON `placement`.`id` = `hit`.`placement_id`
	GROUP BY `placement`.`embed_id`, `of_month`;
--> statement-breakpoint
REPLACE INTO `provider_views` (`provider`, `month`, `times`)
	SELECT `embed`.`provider`, `embed_views`.`month`, SUM(`embed_views`.`times`)
	FROM `embed_views` JOIN `embed` ON `embed`.`id` = `embed_views`.`embed_id`
	WHERE `embed`.`provider` IS NOT NULL
	GROUP BY `embed`.`provider`, `embed_views`.`month`;
