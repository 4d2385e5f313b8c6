ALTER TABLE `jobs` ADD `edits` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `kit` ADD `edits` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `lines` ADD `edits` text DEFAULT '' NOT NULL;