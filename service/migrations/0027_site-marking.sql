CREATE TABLE `site_marking` (
	`site_id` bigint unsigned NOT NULL,
	`up_to` bigint unsigned NOT NULL DEFAULT 0,
	CONSTRAINT `site_marking_site_id` PRIMARY KEY(`site_id`)
);
--> statement-breakpoint
ALTER TABLE `site_marking` ADD CONSTRAINT `site_marking_site_id_site_id_fk` FOREIGN KEY (`site_id`) REFERENCES `site`(`id`) ON DELETE cascade ON UPDATE no action;