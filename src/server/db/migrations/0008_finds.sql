-- What can be found by its words: a row for each line, job and piece of kit, kept up by triggers on their tables.
CREATE TABLE finds (
	id integer PRIMARY KEY NOT NULL,
	kind text NOT NULL,
	ref text NOT NULL,
	name text NOT NULL,
	place text NOT NULL,
	words text NOT NULL,
	archived integer NOT NULL,
	UNIQUE (kind, ref)
);
--> statement-breakpoint
CREATE VIRTUAL TABLE finds_text USING fts5(name, place, words, content='finds', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='1 2 3');
--> statement-breakpoint
INSERT INTO finds_text (finds_text, rank) VALUES ('rank', 'bm25(8.0, 3.0, 1.0)');
--> statement-breakpoint
CREATE TRIGGER finds_in AFTER INSERT ON finds BEGIN
	INSERT INTO finds_text (rowid, name, place, words) VALUES (new.id, new.name, new.place, new.words);
END;
--> statement-breakpoint
CREATE TRIGGER finds_out AFTER DELETE ON finds BEGIN
	INSERT INTO finds_text (finds_text, rowid, name, place, words) VALUES ('delete', old.id, old.name, old.place, old.words);
END;
--> statement-breakpoint
CREATE TRIGGER finds_up AFTER UPDATE ON finds BEGIN
	INSERT INTO finds_text (finds_text, rowid, name, place, words) VALUES ('delete', old.id, old.name, old.place, old.words);
	INSERT INTO finds_text (rowid, name, place, words) VALUES (new.id, new.name, new.place, new.words);
END;
--> statement-breakpoint
INSERT INTO finds (kind, ref, name, place, words, archived) SELECT 'line', lines.id, lines.name, lines.area, coalesce(lines.words, ''), lines.archived_at IS NOT NULL FROM lines;
--> statement-breakpoint
CREATE TRIGGER finds_lines_new AFTER INSERT ON lines BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('line', new.id, new.name, new.area, coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_lines_changed AFTER UPDATE OF name, area, words, archived_at ON lines WHEN old.name IS NOT new.name OR old.area IS NOT new.area OR old.words IS NOT new.words OR old.archived_at IS NOT new.archived_at BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('line', new.id, new.name, new.area, coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_lines_gone AFTER DELETE ON lines BEGIN
	DELETE FROM finds WHERE kind = 'line' AND ref = old.id;
END;
--> statement-breakpoint
INSERT INTO finds (kind, ref, name, place, words, archived) SELECT 'job', jobs.id, jobs.line_name, jobs.area, 'job ' || jobs.number || ' ' || jobs.title || ' ' || jobs.people || ' ' || coalesce(jobs.signed_by, '') || ' ' || jobs.assigned_to || ' ' || coalesce(jobs.words, ''), jobs.archived_at IS NOT NULL FROM jobs;
--> statement-breakpoint
CREATE TRIGGER finds_jobs_new AFTER INSERT ON jobs BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('job', new.id, new.line_name, new.area, 'job ' || new.number || ' ' || new.title || ' ' || new.people || ' ' || coalesce(new.signed_by, '') || ' ' || new.assigned_to || ' ' || coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_jobs_changed AFTER UPDATE OF number, line_name, area, title, people, signed_by, assigned_to, words, archived_at ON jobs WHEN old.number IS NOT new.number OR old.line_name IS NOT new.line_name OR old.area IS NOT new.area OR old.title IS NOT new.title OR old.people IS NOT new.people OR old.signed_by IS NOT new.signed_by OR old.assigned_to IS NOT new.assigned_to OR old.words IS NOT new.words OR old.archived_at IS NOT new.archived_at BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('job', new.id, new.line_name, new.area, 'job ' || new.number || ' ' || new.title || ' ' || new.people || ' ' || coalesce(new.signed_by, '') || ' ' || new.assigned_to || ' ' || coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_jobs_gone AFTER DELETE ON jobs BEGIN
	DELETE FROM finds WHERE kind = 'job' AND ref = old.id;
END;
--> statement-breakpoint
INSERT INTO finds (kind, ref, name, place, words, archived) SELECT 'kit', kit.id, kit.name, '', kit.kind || ' ' || coalesce(kit.words, ''), kit.archived_at IS NOT NULL FROM kit;
--> statement-breakpoint
CREATE TRIGGER finds_kit_new AFTER INSERT ON kit BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('kit', new.id, new.name, '', new.kind || ' ' || coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_kit_changed AFTER UPDATE OF name, kind, words, archived_at ON kit WHEN old.name IS NOT new.name OR old.kind IS NOT new.kind OR old.words IS NOT new.words OR old.archived_at IS NOT new.archived_at BEGIN
	INSERT INTO finds (kind, ref, name, place, words, archived) VALUES ('kit', new.id, new.name, '', new.kind || ' ' || coalesce(new.words, ''), new.archived_at IS NOT NULL)
	ON CONFLICT (kind, ref) DO UPDATE SET name = excluded.name, place = excluded.place, words = excluded.words, archived = excluded.archived;
END;
--> statement-breakpoint
CREATE TRIGGER finds_kit_gone AFTER DELETE ON kit BEGIN
	DELETE FROM finds WHERE kind = 'kit' AND ref = old.id;
END;
