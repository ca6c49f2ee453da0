CREATE TABLE `challenge` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned,
	`expires_at` datetime(3) NOT NULL,
	CONSTRAINT `challenge_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `code_secret` (
	`person_id` bigint unsigned NOT NULL,
	`secret` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`begun_at` datetime(3) NOT NULL,
	`since` datetime(3),
	`last_step` int unsigned NOT NULL DEFAULT 0,
	CONSTRAINT `code_secret_person_id` PRIMARY KEY(`person_id`)
);
--> statement-breakpoint
CREATE TABLE `passkey` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`public_id` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`person_id` bigint unsigned NOT NULL,
	`name` varchar(80) NOT NULL,
	`credential_hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`credential` varchar(1400) character set ascii collate ascii_bin NOT NULL,
	`public_key` varchar(4000) character set ascii collate ascii_bin NOT NULL,
	`counter` bigint unsigned NOT NULL,
	`transports` varchar(100) character set ascii collate ascii_bin NOT NULL,
	`synced` boolean NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`last_used_at` datetime(3),
	CONSTRAINT `passkey_id` PRIMARY KEY(`id`),
	CONSTRAINT `passkey_publicId_unique` UNIQUE(`public_id`),
	CONSTRAINT `passkey_credentialHash_unique` UNIQUE(`credential_hash`)
);
--> statement-breakpoint
CREATE TABLE `recovery_code` (
	`person_id` bigint unsigned NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `recovery_code_person_id_hash_pk` PRIMARY KEY(`person_id`,`hash`)
);
--> statement-breakpoint
CREATE TABLE `security` (
	`id` int NOT NULL,
	`demanded_of` enum('nobody','all') NOT NULL,
	`changed_at` datetime(3) NOT NULL,
	CONSTRAINT `security_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `session` ADD `with_factor` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `challenge` ADD CONSTRAINT `challenge_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `code_secret` ADD CONSTRAINT `code_secret_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `passkey` ADD CONSTRAINT `passkey_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `recovery_code` ADD CONSTRAINT `recovery_code_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `challenge_expires` ON `challenge` (`expires_at`);--> statement-breakpoint
CREATE INDEX `passkey_person` ON `passkey` (`person_id`,`id`);