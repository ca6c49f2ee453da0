CREATE TABLE `placement_day` (
	`site_id` bigint unsigned NOT NULL,
	`day` date NOT NULL,
	`state` enum('planned','live','altered','missing','unreachable','out-of-date','paused') NOT NULL,
	`count` int NOT NULL,
	CONSTRAINT `placement_day_site_id_day_state_pk` PRIMARY KEY(`site_id`,`day`,`state`)
);
--> statement-breakpoint
CREATE TABLE `asked_host` (
	`host_id` bigint unsigned NOT NULL,
	`provider` varchar(60),
	`resources` int NOT NULL DEFAULT 0,
	`faulty` int NOT NULL DEFAULT 0,
	`asked_at` datetime(3),
	`due_at` datetime(3),
	`took` int,
	`certificate_ends` datetime(3),
	CONSTRAINT `asked_host_host_id` PRIMARY KEY(`host_id`)
);
--> statement-breakpoint
CREATE TABLE `embed_resource` (
	`embed_id` bigint unsigned NOT NULL,
	`resource_id` bigint unsigned NOT NULL,
	`clips` json NOT NULL,
	CONSTRAINT `embed_resource_embed_id_resource_id_pk` PRIMARY KEY(`embed_id`,`resource_id`)
);
--> statement-breakpoint
CREATE TABLE `host_day` (
	`host_id` bigint unsigned NOT NULL,
	`day` date NOT NULL,
	`asked` int NOT NULL,
	`answered` int NOT NULL,
	CONSTRAINT `host_day_host_id_day_pk` PRIMARY KEY(`host_id`,`day`)
);
--> statement-breakpoint
CREATE TABLE `resource` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`same` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`use` enum('frame','script','stylesheet','image','media','captions','link','oembed') NOT NULL,
	`address` varchar(2000) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`host_id` bigint unsigned NOT NULL,
	`state` enum('waiting','well','unsure','faulty') NOT NULL DEFAULT 'waiting',
	`next_at` datetime(3) NOT NULL,
	`by_hand` tinyint NOT NULL DEFAULT 0,
	`asked_at` datetime(3),
	`fails` smallint unsigned NOT NULL DEFAULT 0,
	`slows` smallint unsigned NOT NULL DEFAULT 0,
	`status` smallint unsigned,
	`why` varchar(300) NOT NULL DEFAULT '',
	`took` int,
	`type` varchar(100) NOT NULL DEFAULT '',
	`bytes` int unsigned,
	`bytes_before` int unsigned,
	`resized_at` datetime(3),
	`width` smallint unsigned,
	`height` smallint unsigned,
	`length` int unsigned,
	`moved_to` varchar(2000),
	CONSTRAINT `resource_id` PRIMARY KEY(`id`),
	CONSTRAINT `resource_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `resource_same_unique` UNIQUE(`same`)
);
--> statement-breakpoint
ALTER TABLE `finding` MODIFY COLUMN `site_id` bigint unsigned;--> statement-breakpoint
ALTER TABLE `news` MODIFY COLUMN `site_id` bigint unsigned;--> statement-breakpoint
ALTER TABLE `embed` ADD `resources_at` datetime(3);--> statement-breakpoint
ALTER TABLE `finding` ADD `embed_id` bigint unsigned;--> statement-breakpoint
ALTER TABLE `finding` ADD `host_id` bigint unsigned;--> statement-breakpoint
ALTER TABLE `placement_day` ADD CONSTRAINT `placement_day_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `asked_host` ADD CONSTRAINT `asked_host_host` FOREIGN KEY (`host_id`) REFERENCES `swept_host`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `embed_resource` ADD CONSTRAINT `embed_resource_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `embed_resource` ADD CONSTRAINT `embed_resource_resource_id_resource_id_fk` FOREIGN KEY (`resource_id`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `host_day` ADD CONSTRAINT `host_day_host` FOREIGN KEY (`host_id`) REFERENCES `asked_host`(`host_id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource` ADD CONSTRAINT `resource_host_id_asked_host_host_id_fk` FOREIGN KEY (`host_id`) REFERENCES `asked_host`(`host_id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `placement_day_day` ON `placement_day` (`day`);--> statement-breakpoint
CREATE INDEX `asked_host_list` ON `asked_host` (`faulty`,`host_id`);--> statement-breakpoint
CREATE INDEX `asked_host_due` ON `asked_host` (`due_at`);--> statement-breakpoint
CREATE INDEX `embed_resource_of` ON `embed_resource` (`resource_id`,`embed_id`);--> statement-breakpoint
CREATE INDEX `host_day_day` ON `host_day` (`day`);--> statement-breakpoint
CREATE INDEX `resource_next` ON `resource` (`host_id`,`by_hand`,`next_at`,`id`);--> statement-breakpoint
CREATE INDEX `resource_by_hand` ON `resource` (`by_hand`,`host_id`);--> statement-breakpoint
CREATE INDEX `resource_host` ON `resource` (`host_id`,`id`);--> statement-breakpoint
CREATE INDEX `resource_host_state` ON `resource` (`host_id`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `resource_state` ON `resource` (`state`,`id`);--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_embed_id_embed_id_fk` FOREIGN KEY (`embed_id`) REFERENCES `embed`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_host_id_swept_host_id_fk` FOREIGN KEY (`host_id`) REFERENCES `swept_host`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `embed_resources` ON `embed` (`resources_at`,`placements`);--> statement-breakpoint
CREATE INDEX `embed_resources_left` ON `embed` (`placements`,`resources_at`);--> statement-breakpoint
CREATE INDEX `finding_embed` ON `finding` (`embed_id`,`list`);