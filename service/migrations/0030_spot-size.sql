ALTER TABLE `spot` ADD `heights` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `spot` ADD `selector` varchar(300);