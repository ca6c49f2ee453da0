CREATE TABLE `planned_with` (
	`id` tinyint NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `planned_with_id` PRIMARY KEY(`id`)
);--> statement-breakpoint
CREATE TABLE `delivery_snippet` (
	`delivery_id` bigint unsigned NOT NULL,
	`at` smallint unsigned NOT NULL,
	`position` varchar(20) character set ascii collate ascii_bin NOT NULL,
	`snippet_id` bigint unsigned NOT NULL,
	CONSTRAINT `delivery_snippet_delivery_id_at_pk` PRIMARY KEY(`delivery_id`,`at`)
);--> statement-breakpoint
CREATE TABLE `served` (
	`placement_id` bigint unsigned NOT NULL,
	`text` longtext NOT NULL,
	`facts` json NOT NULL,
	CONSTRAINT `served_placement_id` PRIMARY KEY(`placement_id`)
);--> statement-breakpoint
CREATE TABLE `snippet` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`text_digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`runs` json NOT NULL,
	CONSTRAINT `snippet_id` PRIMARY KEY(`id`),
	CONSTRAINT `snippet_digest_unique` UNIQUE(`digest`)
);--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('sweep','plan') NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `pages` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `spot` ADD `placements` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `embed` ADD `placements` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `pages` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `pages_read` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `pages_unreachable` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `counts` json;--> statement-breakpoint
ALTER TABLE `job` ADD `attempts` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `run_at` datetime(3);--> statement-breakpoint
ALTER TABLE `placement` ADD `page_id` bigint unsigned NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `site_id` bigint unsigned NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `carried` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `placement` ADD `wanted` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `placement` ADD `state` enum('planned','live','altered','missing','unreachable','out-of-date') DEFAULT 'planned' NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `stale` enum('no','yes','failed') DEFAULT 'yes' NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `inputs` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `issued` int;--> statement-breakpoint
UPDATE `placement` JOIN `spot` ON `spot`.`id` = `placement`.`spot_id` JOIN `page` ON `page`.`id` = `spot`.`page_id`
SET `placement`.`page_id` = `page`.`id`, `placement`.`site_id` = `page`.`site_id`, `placement`.`state` = `placement`.`seen`,
	`placement`.`stale` = IF(`placement`.`active` IS NULL, 'no', 'yes'),
	`placement`.`issued` = (SELECT MAX(`number`) FROM `delivery` WHERE `delivery`.`placement_id` = `placement`.`id`);--> statement-breakpoint
UPDATE `site` SET `pages` = (SELECT COUNT(*) FROM `page` WHERE `page`.`site_id` = `site`.`id`);--> statement-breakpoint
UPDATE `spot` SET `placements` = (SELECT COUNT(*) FROM `placement` WHERE `placement`.`spot_id` = `spot`.`id` AND `placement`.`active` = 1);--> statement-breakpoint
UPDATE `embed` SET `placements` = (SELECT COUNT(*) FROM `placement` WHERE `placement`.`embed_id` = `embed`.`id` AND `placement`.`active` = 1);--> statement-breakpoint
UPDATE `job` SET `pages` = (SELECT COUNT(*) FROM `sweep_page` WHERE `sweep_page`.`job_id` = `job`.`id`),
	`pages_read` = (SELECT COUNT(*) FROM `sweep_page` WHERE `sweep_page`.`job_id` = `job`.`id` AND `sweep_page`.`state` = 'read'),
	`pages_unreachable` = (SELECT COUNT(*) FROM `sweep_page` WHERE `sweep_page`.`job_id` = `job`.`id` AND `sweep_page`.`state` = 'unreachable'),
	`counts` = (SELECT JSON_OBJECTAGG(c.state, c.n) FROM (SELECT p.`job_id`, s.`state`, COUNT(*) AS n FROM `sighting` AS s JOIN `sweep_page` AS p ON p.`id` = s.`sweep_page_id` GROUP BY p.`job_id`, s.`state`) AS c WHERE c.job_id = `job`.`id`);--> statement-breakpoint
CREATE TABLE `issued_before` (
	`delivery_id` bigint unsigned NOT NULL,
	`at` smallint unsigned NOT NULL,
	`position` varchar(20) character set ascii collate ascii_bin NOT NULL,
	`runs` longtext NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`text_digest` varchar(64) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	CONSTRAINT `issued_before_pk` PRIMARY KEY(`delivery_id`,`at`),
	KEY `issued_before_digest` (`digest`)
);--> statement-breakpoint
INSERT INTO `issued_before` (`delivery_id`, `at`, `position`, `runs`)
SELECT d.`id`, s.n - 1, s.position, REPLACE(JSON_EXTRACT(d.`snippets`, CONCAT('$[', s.n - 1, '].runs')), CONCAT(p.`public_id`, '.', d.`number`), '0000000000.0')
FROM `delivery` AS d JOIN `placement` AS p ON p.`id` = d.`placement_id`
JOIN JSON_TABLE(d.`snippets`, '$[*]' COLUMNS (n FOR ORDINALITY, position varchar(20) PATH '$.position')) AS s;--> statement-breakpoint
SET STATEMENT group_concat_max_len = 16777216 FOR UPDATE `issued_before` SET `digest` = SHA2(`runs`, 256),
	`text_digest` = SHA2((SELECT GROUP_CONCAT(r.text ORDER BY r.n SEPARATOR '') FROM JSON_TABLE(`runs`, '$[*]' COLUMNS (n FOR ORDINALITY, text longtext PATH '$.text')) AS r), 256);--> statement-breakpoint
INSERT IGNORE INTO `snippet` (`digest`, `text_digest`, `runs`) SELECT `digest`, `text_digest`, `runs` FROM `issued_before`;--> statement-breakpoint
INSERT INTO `delivery_snippet` (`delivery_id`, `at`, `position`, `snippet_id`)
SELECT b.`delivery_id`, b.`at`, b.`position`, s.`id` FROM `issued_before` AS b JOIN `snippet` AS s ON s.`digest` = b.`digest`;--> statement-breakpoint
UPDATE `delivery` SET `digest` = SHA2((SELECT CONCAT('[', GROUP_CONCAT(CONCAT('["', b.`position`, '","', b.`text_digest`, '"]') ORDER BY b.`at` SEPARATOR ','), ']')
	FROM `issued_before` AS b WHERE b.`delivery_id` = `delivery`.`id`), 256);--> statement-breakpoint
UPDATE `placement` JOIN `delivery` AS d ON d.`placement_id` = `placement`.`id` AND d.`number` = `placement`.`seen_delivery`
JOIN `issued_before` AS b ON b.`delivery_id` = d.`id` AND b.`position` = 'spot' SET `placement`.`carried` = b.`text_digest`;--> statement-breakpoint
DROP TABLE `issued_before`;--> statement-breakpoint
ALTER TABLE `delivery_snippet` ADD CONSTRAINT `delivery_snippet_delivery_id_delivery_id_fk` FOREIGN KEY (`delivery_id`) REFERENCES `delivery`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `delivery_snippet` ADD CONSTRAINT `delivery_snippet_snippet_id_snippet_id_fk` FOREIGN KEY (`snippet_id`) REFERENCES `snippet`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `served` ADD CONSTRAINT `served_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `snippet_text` ON `snippet` (`text_digest`);--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `placement_list` ON `placement` (`active`,`id`);--> statement-breakpoint
CREATE INDEX `placement_state` ON `placement` (`active`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `placement_embed_list` ON `placement` (`embed_id`,`active`,`id`);--> statement-breakpoint
CREATE INDEX `placement_embed_state` ON `placement` (`embed_id`,`active`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `placement_page` ON `placement` (`page_id`,`active`,`id`);--> statement-breakpoint
CREATE INDEX `placement_page_state` ON `placement` (`page_id`,`active`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `placement_site` ON `placement` (`site_id`,`active`,`id`);--> statement-breakpoint
CREATE INDEX `placement_site_state` ON `placement` (`site_id`,`active`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `placement_stale` ON `placement` (`stale`,`page_id`);--> statement-breakpoint
CREATE INDEX `embed_provider` ON `embed` (`provider`,`id`);--> statement-breakpoint
CREATE INDEX `sweep_page_list` ON `sweep_page` (`job_id`,`id`);--> statement-breakpoint
CREATE INDEX `sweep_page_next` ON `sweep_page` (`job_id`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `job_kind` ON `job` (`kind`,`id`);--> statement-breakpoint
DROP INDEX `placement_embed` ON `placement`;--> statement-breakpoint
DROP INDEX `placement_active` ON `placement`;--> statement-breakpoint
DROP INDEX `placement_seen` ON `placement`;--> statement-breakpoint
ALTER TABLE `delivery` DROP COLUMN `snippets`;--> statement-breakpoint
ALTER TABLE `delivery` DROP COLUMN `text`;
