ALTER TABLE `jobs` ADD `words` text;--> statement-breakpoint
ALTER TABLE `kit` ADD `words` text;--> statement-breakpoint
ALTER TABLE `lines` ADD `words` text;