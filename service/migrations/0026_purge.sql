ALTER TABLE `embed` ADD `purged_at` datetime(3);--> statement-breakpoint
ALTER TABLE `embed` ADD `purged_by` bigint unsigned;--> statement-breakpoint
ALTER TABLE `embed` ADD `purge_reason` varchar(500);--> statement-breakpoint
ALTER TABLE `embed` ADD CONSTRAINT `embed_purged_by_person_id_fk` FOREIGN KEY (`purged_by`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;