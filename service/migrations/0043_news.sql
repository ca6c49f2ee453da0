CREATE TABLE `channel` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`name` varchar(60) NOT NULL,
	`kind` enum('mail','webhook','feed') NOT NULL,
	`to` varchar(1000) NOT NULL DEFAULT '',
	`secret` varchar(64) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`site_id` bigint unsigned,
	`rank` tinyint NOT NULL,
	`schedule` json,
	`paused_at` datetime(3),
	`last_at` datetime(3),
	`failing_since` datetime(3),
	`why` varchar(500) NOT NULL DEFAULT '',
	`retry_at` datetime(3),
	`lease_owner` varchar(40) character set ascii collate ascii_bin,
	`lease_until` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `channel_id` PRIMARY KEY(`id`),
	CONSTRAINT `channel_name_unique` UNIQUE(`name`)
);
--> statement-breakpoint
CREATE TABLE `message` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`channel_id` bigint unsigned NOT NULL,
	`state` enum('gathering','waiting','sent','dead') NOT NULL,
	`gathers_for` bigint unsigned,
	`is_trial` tinyint NOT NULL DEFAULT 0,
	`news` int NOT NULL DEFAULT 0,
	`attempts` int NOT NULL DEFAULT 0,
	`due_at` datetime(3) NOT NULL,
	`since` datetime(3) NOT NULL,
	`why` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL,
	`sent_at` datetime(3),
	CONSTRAINT `message_id` PRIMARY KEY(`id`),
	CONSTRAINT `message_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `message_gathersFor_unique` UNIQUE(`gathers_for`)
);
--> statement-breakpoint
CREATE TABLE `message_news` (
	`message_id` bigint unsigned NOT NULL,
	`news_id` bigint unsigned NOT NULL,
	CONSTRAINT `message_news_message_id_news_id_pk` PRIMARY KEY(`message_id`,`news_id`)
);
--> statement-breakpoint
CREATE TABLE `news` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`kind` enum('found','due','solved') NOT NULL,
	`finding_id` bigint unsigned NOT NULL,
	`site_id` bigint unsigned NOT NULL,
	`rank` tinyint NOT NULL,
	`at` datetime(3) NOT NULL,
	`turn` bigint unsigned,
	CONSTRAINT `news_id` PRIMARY KEY(`id`),
	CONSTRAINT `news_turn_unique` UNIQUE(`turn`)
);
--> statement-breakpoint
CREATE TABLE `news_turn` (
	`id` int NOT NULL,
	`last` bigint unsigned NOT NULL,
	CONSTRAINT `news_turn_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `channel` ADD CONSTRAINT `channel_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `channel` ADD CONSTRAINT `channel_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `message` ADD CONSTRAINT `message_channel_id_channel_id_fk` FOREIGN KEY (`channel_id`) REFERENCES `channel`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `message_news` ADD CONSTRAINT `message_news_message_id_message_id_fk` FOREIGN KEY (`message_id`) REFERENCES `message`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `message_news` ADD CONSTRAINT `message_news_news_id_news_id_fk` FOREIGN KEY (`news_id`) REFERENCES `news`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `news` ADD CONSTRAINT `news_finding_id_finding_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `finding`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `news` ADD CONSTRAINT `news_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `message_due` ON `message` (`channel_id`,`state`,`due_at`,`id`);--> statement-breakpoint
CREATE INDEX `message_channel` ON `message` (`channel_id`,`id`);--> statement-breakpoint
CREATE INDEX `message_of_channel_in` ON `message` (`channel_id`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `message_state` ON `message` (`state`,`id`);--> statement-breakpoint
CREATE INDEX `message_sent` ON `message` (`sent_at`);--> statement-breakpoint
CREATE INDEX `message_news_of` ON `message_news` (`news_id`);--> statement-breakpoint
CREATE INDEX `news_site` ON `news` (`site_id`,`turn`);--> statement-breakpoint
CREATE INDEX `news_at` ON `news` (`at`);