ALTER TABLE `revision` ADD `options` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE `revision` SET `options` = JSON_MERGE_PATCH(
	JSON_REMOVE(`settings`, '$.parameters'), `dress`,
	CASE WHEN JSON_LENGTH(`settings`, '$.parameters') > 0 THEN
		(SELECT JSON_OBJECTAGG(CONCAT('parameter.', k.name), JSON_VALUE(`settings`, CONCAT('$.parameters.', JSON_QUOTE(k.name))))
		FROM JSON_TABLE(JSON_KEYS(`settings`, '$.parameters'), '$[*]' COLUMNS (name varchar(100) PATH '$')) AS k)
	ELSE '{}' END);--> statement-breakpoint
ALTER TABLE `revision` ALTER `options` DROP DEFAULT;--> statement-breakpoint
ALTER TABLE `preset` ADD `options` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE `preset` SET `options` = JSON_MERGE_PATCH(
	JSON_REMOVE(`settings`, '$.parameters'), `dress`,
	CASE WHEN JSON_LENGTH(`settings`, '$.parameters') > 0 THEN
		(SELECT JSON_OBJECTAGG(CONCAT('parameter.', k.name), JSON_VALUE(`settings`, CONCAT('$.parameters.', JSON_QUOTE(k.name))))
		FROM JSON_TABLE(JSON_KEYS(`settings`, '$.parameters'), '$[*]' COLUMNS (name varchar(100) PATH '$')) AS k)
	ELSE '{}' END);--> statement-breakpoint
ALTER TABLE `preset` ALTER `options` DROP DEFAULT;--> statement-breakpoint
ALTER TABLE `site` ADD `defaults` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ALTER `defaults` DROP DEFAULT;--> statement-breakpoint
ALTER TABLE `site` ADD `head` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `options` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ALTER `options` DROP DEFAULT;--> statement-breakpoint
ALTER TABLE `placement` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `delivery` ADD `options` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `delivery` ALTER `options` DROP DEFAULT;--> statement-breakpoint
ALTER TABLE `delivery` ADD `snippets` json DEFAULT '[]' NOT NULL;--> statement-breakpoint
UPDATE `delivery` SET `snippets` = REGEXP_REPLACE(REGEXP_REPLACE(REGEXP_REPLACE(`pieces`,
	'(?<!\\\\)"stage": ?"dress"', '"stage":"presentation"'),
	'(?<!\\\\)"wishes":', '"options":'),
	'(?<!\\\\)"stage": ?"([a-z-]+)", ?"options": ?(\\[(?:"(?:[^"\\\\]|\\\\.)*+",? ?)*+\\]), ?"reason": ?("(?:[^"\\\\]|\\\\.)*+")',
	'"stage":"\\1","options":\\2,"reasons":[{"stage":"\\1","option":"","code":"as-told","facts":{"sentence":\\3}}]');--> statement-breakpoint
ALTER TABLE `delivery` ALTER `snippets` DROP DEFAULT;--> statement-breakpoint
UPDATE `provider_sheet` SET
	`sheet` = REGEXP_REPLACE(REGEXP_REPLACE(`sheet`, '(?<!\\\\)"quiet":', '"privacyHost":'), '(?<!\\\\)"beside":', '"companions":'),
	`text` = REGEXP_REPLACE(REGEXP_REPLACE(`text`, '(?m)(^[ \\t]*|[{,][ \\t]*)("?)quiet\\2([ \\t]*:)', '\\1\\2privacyHost\\2\\3'), '(?m)(^[ \\t]*|[{,][ \\t]*)("?)beside\\2([ \\t]*:)', '\\1\\2companions\\2\\3');--> statement-breakpoint
UPDATE `group_change` SET `search` = REGEXP_REPLACE(`search`, '\\bwish(!?=)', 'option\\1');--> statement-breakpoint
ALTER TABLE `revision` DROP COLUMN `settings`;--> statement-breakpoint
ALTER TABLE `revision` DROP COLUMN `dress`;--> statement-breakpoint
ALTER TABLE `revision` DROP COLUMN `isolation`;--> statement-breakpoint
ALTER TABLE `delivery` DROP COLUMN `pieces`;--> statement-breakpoint
ALTER TABLE `preset` DROP COLUMN `settings`;--> statement-breakpoint
ALTER TABLE `preset` DROP COLUMN `dress`;
