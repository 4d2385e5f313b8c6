ALTER TABLE `jobs` ADD `people` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `kit` ADD `archived_at` text;--> statement-breakpoint
ALTER TABLE `lines` ADD `archived_at` text;--> statement-breakpoint
UPDATE `jobs` SET `people` = coalesce(json_extract(`document`, '$.doneBy'), '');
