CREATE TABLE `photographs` (
	`id` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`stored_at` text NOT NULL
);
