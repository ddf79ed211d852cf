CREATE TABLE `faces` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`hash` text NOT NULL,
	`bytes` blob NOT NULL,
	`licence` text NOT NULL,
	`added_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `faces_hash_unique` ON `faces` (`hash`);