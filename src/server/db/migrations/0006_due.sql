ALTER TABLE `jobs` ADD `assigned_to` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `due_by` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `due_because` text;