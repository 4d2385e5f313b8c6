DROP INDEX `jobs_by_line`;--> statement-breakpoint
CREATE INDEX `jobs_on_floor` ON `jobs` (`archived_at`,"updated_at" desc);--> statement-breakpoint
CREATE INDEX `jobs_on_floor_by_state` ON `jobs` (`archived_at`,`state`,"updated_at" desc);--> statement-breakpoint
CREATE INDEX `jobs_found` ON `jobs` (`id`,`archived_at`,`state`,`area`,`updated_at`);--> statement-breakpoint
CREATE INDEX `jobs_of_lines` ON `jobs` (`line_id`,`archived_at`,`state`,`due_on`);--> statement-breakpoint
CREATE INDEX `jobs_by_line` ON `jobs` (`line_id`,"updated_at" desc);