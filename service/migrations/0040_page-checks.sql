CREATE TABLE `page_check` (
	`page_id` bigint unsigned NOT NULL,
	`due_at` datetime(3) NOT NULL,
	`until` datetime(3) NOT NULL,
	`pause` int NOT NULL,
	CONSTRAINT `page_check_page_id` PRIMARY KEY(`page_id`)
);
--> statement-breakpoint
ALTER TABLE `page_check` ADD CONSTRAINT `page_check_page_id_page_id_fk` FOREIGN KEY (`page_id`) REFERENCES `page`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `page_check_due` ON `page_check` (`due_at`);