CREATE TABLE `oembed_endpoint` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`provider` varchar(120) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`site` varchar(500) NOT NULL,
	`url` varchar(500) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`schemes` json NOT NULL,
	`formats` json NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `oembed_endpoint_id` PRIMARY KEY(`id`),
	CONSTRAINT `oembed_endpoint_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `oembed_endpoint_once` UNIQUE(`provider`,`url`)
);
--> statement-breakpoint
CREATE TABLE `oembed_host` (
	`endpoint_id` bigint unsigned NOT NULL,
	`host` varchar(255) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `oembed_host_endpoint_id_host_pk` PRIMARY KEY(`endpoint_id`,`host`)
);
--> statement-breakpoint
ALTER TABLE `oembed_endpoint` ADD CONSTRAINT `oembed_endpoint_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `oembed_host` ADD CONSTRAINT `oembed_host_endpoint_id_oembed_endpoint_id_fk` FOREIGN KEY (`endpoint_id`) REFERENCES `oembed_endpoint`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `oembed_host_name` ON `oembed_host` (`host`);