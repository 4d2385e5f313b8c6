CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`line_id` text NOT NULL,
	`state` text NOT NULL,
	`due_on` text,
	`signed_by` text,
	`signed_at` text,
	`document` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`title` text NOT NULL,
	`line_name` text NOT NULL,
	`area` text NOT NULL,
	`summary` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	FOREIGN KEY (`line_id`) REFERENCES `lines`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `jobs_number_unique` ON `jobs` (`number`);--> statement-breakpoint
CREATE INDEX `jobs_by_state` ON `jobs` (`state`,`updated_at`);--> statement-breakpoint
CREATE INDEX `jobs_by_line` ON `jobs` (`line_id`);--> statement-breakpoint
CREATE INDEX `jobs_by_time` ON `jobs` ("updated_at" desc);--> statement-breakpoint
CREATE TABLE `lines` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`area` text NOT NULL,
	`document` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL
);
