CREATE TABLE `delivery` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`placement_id` bigint unsigned NOT NULL,
	`number` int NOT NULL,
	`revision_id` bigint unsigned NOT NULL,
	`pieces` json NOT NULL,
	`text` longtext NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `delivery_id` PRIMARY KEY(`id`),
	CONSTRAINT `delivery_number` UNIQUE(`placement_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `embed` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`key` varchar(80) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(120) NOT NULL,
	`notes` mediumtext NOT NULL,
	`kind` varchar(20) NOT NULL,
	`provider` varchar(60),
	`level` enum('error','warning','note'),
	`source` int NOT NULL,
	`revision` int NOT NULL,
	`retired_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	`changed_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `embed_id` PRIMARY KEY(`id`),
	CONSTRAINT `embed_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
CREATE TABLE `embed_tag` (
	`embed_id` bigint unsigned NOT NULL,
	`tag` varchar(40) NOT NULL,
	CONSTRAINT `embed_tag_embed_id_tag_pk` PRIMARY KEY(`embed_id`,`tag`)
);
--> statement-breakpoint
CREATE TABLE `job` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`kind` enum('sweep') NOT NULL,
	`state` enum('waiting','running','done','stopped','failed') NOT NULL DEFAULT 'waiting',
	`scope` varchar(460),
	`lease_owner` varchar(40) character set ascii collate ascii_bin,
	`lease_until` datetime(3),
	`stop_asked` tinyint NOT NULL DEFAULT 0,
	`started_at` datetime(3),
	`ended_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `job_id` PRIMARY KEY(`id`),
	CONSTRAINT `job_publicId_unique` UNIQUE(`public_id`)
);
--> statement-breakpoint
CREATE TABLE `link` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned NOT NULL,
	`purpose` enum('password','sign-in') NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `link_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `page` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`path` varchar(340) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`title` varchar(200) NOT NULL,
	`checked_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `page_id` PRIMARY KEY(`id`),
	CONSTRAINT `page_path` UNIQUE(`site_id`,`path`)
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`name` varchar(80) NOT NULL,
	`password_hash` varchar(255),
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `person_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `placement` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`spot_id` bigint unsigned NOT NULL,
	`embed_id` bigint unsigned NOT NULL,
	`seen` enum('planned','live','altered','missing','unreachable') NOT NULL DEFAULT 'planned',
	`seen_delivery` int,
	`last_seen_at` datetime(3),
	`checked_at` datetime(3),
	`findings` json NOT NULL,
	`ended_at` datetime(3),
	`active` tinyint DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `placement_id` PRIMARY KEY(`id`),
	CONSTRAINT `placement_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `placement_once` UNIQUE(`spot_id`,`embed_id`,`active`)
);
--> statement-breakpoint
CREATE TABLE `preview` (
	`host` varchar(32) character set ascii collate ascii_bin NOT NULL,
	`html` longtext NOT NULL,
	`policy` text NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `preview_host` PRIMARY KEY(`host`)
);
--> statement-breakpoint
CREATE TABLE `revision` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`embed_id` bigint unsigned NOT NULL,
	`number` int NOT NULL,
	`source_id` bigint unsigned NOT NULL,
	`left_out` json NOT NULL,
	`settings` json NOT NULL,
	`dress` json NOT NULL,
	`isolation` json NOT NULL,
	`sheet_id` varchar(60),
	`sheet_digest` varchar(64) character set ascii collate ascii_bin,
	`reason` varchar(200) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `revision_id` PRIMARY KEY(`id`),
	CONSTRAINT `revision_number` UNIQUE(`embed_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `session` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	CONSTRAINT `session_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `sighting` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`sweep_page_id` bigint unsigned NOT NULL,
	`placement_id` bigint unsigned NOT NULL,
	`state` enum('planned','live','altered','missing','unreachable','out-of-date') NOT NULL,
	`delivery` int,
	`line` int,
	`findings` json NOT NULL,
	CONSTRAINT `sighting_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`key` varchar(60) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(120) NOT NULL,
	`address` varchar(500) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `site_id` PRIMARY KEY(`id`),
	CONSTRAINT `site_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
CREATE TABLE `source` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`embed_id` bigint unsigned NOT NULL,
	`number` int NOT NULL,
	`pasted` longtext NOT NULL,
	`base` longtext NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `source_id` PRIMARY KEY(`id`),
	CONSTRAINT `source_number` UNIQUE(`embed_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `spot` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`name` varchar(60) character set ascii collate ascii_bin NOT NULL,
	`phone` smallint unsigned NOT NULL,
	`tablet` smallint unsigned NOT NULL,
	`desktop` smallint unsigned NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `spot_id` PRIMARY KEY(`id`),
	CONSTRAINT `spot_name` UNIQUE(`page_id`,`name`)
);
--> statement-breakpoint
CREATE TABLE `sweep_page` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`job_id` bigint unsigned NOT NULL,
	`page_id` bigint unsigned NOT NULL,
	`state` enum('waiting','read','unreachable') NOT NULL DEFAULT 'waiting',
	`status` smallint unsigned,
	`why` varchar(300),
	`digest` varchar(64) character set ascii collate ascii_bin,
	`read_at` datetime(3),
	CONSTRAINT `sweep_page_id` PRIMARY KEY(`id`),
	CONSTRAINT `sweep_page_once` UNIQUE(`job_id`,`page_id`)
);
--> statement-breakpoint
CREATE TABLE `token` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned NOT NULL,
	`name` varchar(80) NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`last_used_at` datetime(3),
	`revoked_at` datetime(3),
	CONSTRAINT `token_id` PRIMARY KEY(`id`),
	CONSTRAINT `token_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `token_hash_unique` UNIQUE(`hash`)
);
--> statement-breakpoint
ALTER TABLE `delivery` ADD CONSTRAINT `delivery_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `delivery` ADD CONSTRAINT `delivery_revision_id_revision_id_fk` FOREIGN KEY (`revision_id`) REFERENCES `revision`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `delivery` ADD CONSTRAINT `delivery_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `embed` ADD CONSTRAINT `embed_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `embed_tag` ADD CONSTRAINT `embed_tag_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `job` ADD CONSTRAINT `job_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `link` ADD CONSTRAINT `link_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `page` ADD CONSTRAINT `page_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `page` ADD CONSTRAINT `page_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_spot_id_spot_id_fk` FOREIGN KEY (`spot_id`) REFERENCES `spot`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `preview` ADD CONSTRAINT `preview_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `revision` ADD CONSTRAINT `revision_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `revision` ADD CONSTRAINT `revision_source_id_source_id_fk` FOREIGN KEY (`source_id`) REFERENCES `source`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `revision` ADD CONSTRAINT `revision_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sighting` ADD CONSTRAINT `sighting_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sighting` ADD CONSTRAINT `sighting_sweep_page` FOREIGN KEY (`sweep_page_id`) REFERENCES `sweep_page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site` ADD CONSTRAINT `site_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `source` ADD CONSTRAINT `source_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `source` ADD CONSTRAINT `source_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `spot` ADD CONSTRAINT `spot_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `spot` ADD CONSTRAINT `spot_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sweep_page` ADD CONSTRAINT `sweep_page_job_id_job_id_fk` FOREIGN KEY (`job_id`) REFERENCES `job`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sweep_page` ADD CONSTRAINT `sweep_page_page` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `token` ADD CONSTRAINT `token_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `embed_kind` ON `embed` (`kind`,`id`);--> statement-breakpoint
CREATE INDEX `embed_tag_tag` ON `embed_tag` (`tag`);--> statement-breakpoint
CREATE INDEX `job_state` ON `job` (`state`,`id`);--> statement-breakpoint
CREATE INDEX `placement_embed` ON `placement` (`embed_id`,`id`);--> statement-breakpoint
CREATE INDEX `preview_expires` ON `preview` (`expires_at`);--> statement-breakpoint
CREATE INDEX `sighting_placement` ON `sighting` (`placement_id`,`id`);