CREATE TABLE `revisions` (
	`job_id` text NOT NULL,
	`number` integer NOT NULL,
	`content` text NOT NULL,
	`sha256` text NOT NULL,
	`pdf` blob,
	`done_by` text NOT NULL,
	`checked_by` text NOT NULL,
	`signed_at` text NOT NULL,
	`reopened_by` text,
	`reopened_because` text,
	`reopened_at` text,
	PRIMARY KEY(`job_id`, `number`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` integer PRIMARY KEY NOT NULL,
	`document` text NOT NULL
);
