CREATE TABLE `blocked_contact` (
	`placement_id` bigint unsigned NOT NULL,
	`host` varchar(253) character set ascii collate ascii_bin NOT NULL,
	`first_at` datetime(3) NOT NULL,
	`last_at` datetime(3) NOT NULL,
	CONSTRAINT `blocked_contact_placement_id_host_pk` PRIMARY KEY(`placement_id`,`host`)
);
--> statement-breakpoint
ALTER TABLE `blocked_contact` ADD CONSTRAINT `blocked_contact_placement_id_placement_id_fk` FOREIGN KEY (`placement_id`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;