CREATE TABLE `copy` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`job_id` bigint unsigned,
	`slot` datetime(3),
	`state` enum('waiting','making','reading','good','unread','failed') NOT NULL,
	`folder` varchar(500) NOT NULL,
	`name` varchar(80) NOT NULL DEFAULT '',
	`encrypted` boolean NOT NULL,
	`made_at` datetime(3),
	`bytes` bigint unsigned,
	`rows` bigint unsigned,
	`files` int unsigned,
	`read_back_at` datetime(3),
	`why` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL,
	`created_by` bigint unsigned,
	CONSTRAINT `copy_id` PRIMARY KEY(`id`),
	CONSTRAINT `copy_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `copy_jobId_unique` UNIQUE(`job_id`),
	CONSTRAINT `copy_slot_unique` UNIQUE(`slot`)
);
--> statement-breakpoint
CREATE TABLE `installation` (
	`id` int NOT NULL,
	`version` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`since` datetime(3) NOT NULL,
	CONSTRAINT `installation_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('sweep','plan','inspection','copy') NOT NULL;--> statement-breakpoint
ALTER TABLE `copy` ADD CONSTRAINT `copy_job_id_job_id_fk` FOREIGN KEY (`job_id`) REFERENCES `job`(`id`) ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `copy` ADD CONSTRAINT `copy_created_by_person_id_fk` FOREIGN KEY (`created_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `copy_state` ON `copy` (`state`,`made_at`);--> statement-breakpoint
CREATE INDEX `copy_folder` ON `copy` (`folder`,`id`);