CREATE TABLE `placement_age` (
	`site_id` bigint unsigned NOT NULL,
	`age` enum('day','week','month','quarter','longer','unknown') NOT NULL,
	`count` int NOT NULL,
	CONSTRAINT `placement_age_site_id_age_pk` PRIMARY KEY(`site_id`,`age`)
);
--> statement-breakpoint
CREATE TABLE `inspection` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`job_id` bigint unsigned NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`looks` int NOT NULL,
	`sweep_id` bigint unsigned,
	`read_at` datetime(3),
	`well` int NOT NULL DEFAULT 0,
	`lost` int NOT NULL DEFAULT 0,
	CONSTRAINT `inspection_id` PRIMARY KEY(`id`),
	CONSTRAINT `inspection_jobId_unique` UNIQUE(`job_id`)
);
--> statement-breakpoint
CREATE TABLE `inspection_loss` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`inspection_id` bigint unsigned NOT NULL,
	`placement_id` bigint unsigned NOT NULL,
	`rule` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`level` enum('error','warning','note') NOT NULL,
	`facts` json NOT NULL,
	`details` json NOT NULL,
	`good_at` datetime(3),
	`good_look` varchar(10) character set ascii collate ascii_bin,
	`look` varchar(10) character set ascii collate ascii_bin,
	CONSTRAINT `inspection_loss_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `inspection_page` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`inspection_id` bigint unsigned NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`state` enum('waiting','looked','failed') NOT NULL DEFAULT 'waiting',
	`why` varchar(300),
	`look` varchar(10) character set ascii collate ascii_bin,
	`unknown` int NOT NULL DEFAULT 0,
	CONSTRAINT `inspection_page_id` PRIMARY KEY(`id`),
	CONSTRAINT `inspection_page_once` UNIQUE(`inspection_id`,`page_id`)
);
--> statement-breakpoint
CREATE TABLE `history` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`at` datetime(3) NOT NULL,
	`embed_id` bigint unsigned,
	`page_id` bigint unsigned,
	`site_id` bigint unsigned,
	`change_id` bigint unsigned,
	`placement_id` bigint unsigned,
	`was` enum('planned','live','altered','missing','unreachable','out-of-date','paused'),
	`state` enum('planned','live','altered','missing','unreachable','out-of-date','paused'),
	CONSTRAINT `history_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('sweep','plan','inspection') NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `state_since` datetime(3);--> statement-breakpoint
ALTER TABLE `placement_age` ADD CONSTRAINT `placement_age_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection` ADD CONSTRAINT `inspection_job_id_job_id_fk` FOREIGN KEY (`job_id`) REFERENCES `job`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection` ADD CONSTRAINT `inspection_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection` ADD CONSTRAINT `inspection_sweep_id_job_id_fk` FOREIGN KEY (`sweep_id`) REFERENCES `job`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection_loss` ADD CONSTRAINT `inspection_loss_inspection_id_inspection_id_fk` FOREIGN KEY (`inspection_id`) REFERENCES `inspection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection_loss` ADD CONSTRAINT `inspection_loss_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection_page` ADD CONSTRAINT `inspection_page_inspection_id_inspection_id_fk` FOREIGN KEY (`inspection_id`) REFERENCES `inspection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `inspection_page` ADD CONSTRAINT `inspection_page_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `history` ADD CONSTRAINT `history_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `history` ADD CONSTRAINT `history_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `history` ADD CONSTRAINT `history_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `history` ADD CONSTRAINT `history_change_id_change_log_id_fk` FOREIGN KEY (`change_id`) REFERENCES `change_log`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `history` ADD CONSTRAINT `history_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `inspection_site` ON `inspection` (`site_id`,`id`);--> statement-breakpoint
CREATE INDEX `inspection_loss_list` ON `inspection_loss` (`inspection_id`,`id`);--> statement-breakpoint
CREATE INDEX `inspection_page_next` ON `inspection_page` (`inspection_id`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `history_embed` ON `history` (`embed_id`,`id`);--> statement-breakpoint
CREATE INDEX `history_page` ON `history` (`page_id`,`id`);--> statement-breakpoint
CREATE INDEX `history_site` ON `history` (`site_id`,`id`);--> statement-breakpoint
INSERT INTO `history` (`at`, `embed_id`, `page_id`, `site_id`, `change_id`)
SELECT `created_at`, `embed_id`, `page_id`, `site_id`, `id` FROM (
	SELECT c.`id`, c.`created_at`, i.`embed_id`, NULL AS `page_id`, NULL AS `site_id`
	FROM `change_log` c JOIN `change_item` i ON i.`change_id` = c.`id`
	UNION ALL
	SELECT c.`id`, c.`created_at`, p.`embed_id`, p.`page_id`, p.`site_id`
	FROM `change_log` c JOIN `placement` p ON p.`id` = JSON_VALUE(c.`effect`, '$.placementId')
	WHERE JSON_VALUE(c.`effect`, '$.of') IN ('placement', 'placement-details')
	UNION ALL
	SELECT c.`id`, c.`created_at`, NULL, NULL, s.`id`
	FROM `change_log` c JOIN `site` s ON s.`key` = JSON_VALUE(c.`facts`, '$.key')
	WHERE JSON_VALUE(c.`facts`, '$.what') = 'site'
	UNION ALL
	SELECT c.`id`, c.`created_at`, NULL, p.`id`, s.`id`
	FROM `change_log` c JOIN `site` s ON s.`key` = SUBSTRING_INDEX(JSON_VALUE(c.`facts`, '$.key'), '/', 1)
	JOIN `page` p ON p.`site_id` = s.`id` AND CONCAT(s.`key`, '/', p.`path`) = JSON_VALUE(c.`facts`, '$.key')
	WHERE JSON_VALUE(c.`facts`, '$.what') = 'page'
) AS told ORDER BY `id`;
