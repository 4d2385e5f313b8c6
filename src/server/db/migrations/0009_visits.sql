ALTER TABLE `jobs` ADD `visit` text;--> statement-breakpoint
ALTER TABLE `lines` ADD `book` text;--> statement-breakpoint
CREATE TRIGGER books_job_new AFTER INSERT ON jobs BEGIN
	UPDATE lines SET book = NULL WHERE id = new.line_id AND book IS NOT NULL;
END;
--> statement-breakpoint
CREATE TRIGGER books_job_changed AFTER UPDATE OF visit, state, archived_at, line_id ON jobs WHEN old.visit IS NOT new.visit OR old.state IS NOT new.state OR old.archived_at IS NOT new.archived_at OR old.line_id IS NOT new.line_id BEGIN
	UPDATE lines SET book = NULL WHERE id IN (old.line_id, new.line_id) AND book IS NOT NULL;
END;
