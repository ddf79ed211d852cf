CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`type` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` blob NOT NULL,
	`added_at` integer NOT NULL
);
