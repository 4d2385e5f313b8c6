CREATE TABLE `codes` (
	`id` text PRIMARY KEY NOT NULL,
	`identifier` text NOT NULL,
	`value` text NOT NULL,
	`expires_at` integer NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `codes_by_identifier` ON `codes` (`identifier`);--> statement-breakpoint
CREATE TABLE `credentials` (
	`id` text PRIMARY KEY NOT NULL,
	`account_id` text NOT NULL,
	`provider_id` text NOT NULL,
	`user_id` text NOT NULL,
	`access_token` text,
	`refresh_token` text,
	`id_token` text,
	`access_token_expires_at` integer,
	`refresh_token_expires_at` integer,
	`scope` text,
	`password` text,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	FOREIGN KEY (`user_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `credentials_of` ON `credentials` (`user_id`);--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`email` text NOT NULL,
	`email_verified` integer DEFAULT false NOT NULL,
	`image` text,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`role` text DEFAULT 'reader' NOT NULL,
	`initials` text DEFAULT '' NOT NULL,
	`initials_key` text,
	`pin` text,
	`put_away_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_email_unique` ON `people` (`email`);--> statement-breakpoint
CREATE UNIQUE INDEX `people_initials_key_unique` ON `people` (`initials_key`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`expires_at` integer NOT NULL,
	`token` text NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`ip_address` text,
	`user_agent` text,
	`user_id` text NOT NULL,
	FOREIGN KEY (`user_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sessions_token_unique` ON `sessions` (`token`);--> statement-breakpoint
CREATE INDEX `sessions_of` ON `sessions` (`user_id`);--> statement-breakpoint
CREATE TABLE `trail` (
	`number` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` text NOT NULL,
	`person` text,
	`name` text NOT NULL,
	`act` text NOT NULL,
	`kind` text NOT NULL,
	`of` text NOT NULL,
	`more` text DEFAULT '{}' NOT NULL,
	`hash` text
);
--> statement-breakpoint
CREATE INDEX `trail_of` ON `trail` (`kind`,`of`,`number`);--> statement-breakpoint
CREATE INDEX `trail_open` ON `trail` (`hash`);--> statement-breakpoint
CREATE TRIGGER trail_stays BEFORE DELETE ON trail BEGIN SELECT raise(ABORT, 'The trail is only added to.'); END;
--> statement-breakpoint
CREATE TRIGGER trail_as_written BEFORE UPDATE ON trail
WHEN OLD.hash IS NOT NULL OR NEW.number IS NOT OLD.number OR NEW.at IS NOT OLD.at OR NEW.person IS NOT OLD.person OR NEW.name IS NOT OLD.name
  OR NEW.act IS NOT OLD.act OR NEW.kind IS NOT OLD.kind OR NEW."of" IS NOT OLD."of" OR NEW.more IS NOT OLD.more
BEGIN SELECT raise(ABORT, 'The trail is only added to.'); END;
