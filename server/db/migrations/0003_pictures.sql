CREATE TABLE `pictures` (
	`shelf` text NOT NULL,
	`id` text NOT NULL,
	`tag` text NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	PRIMARY KEY(`shelf`, `id`)
);
