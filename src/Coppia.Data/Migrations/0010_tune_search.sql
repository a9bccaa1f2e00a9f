-- Words of titles and composers, folded like title_key; triggers keep them as the tunes are.
ALTER TABLE tune ADD COLUMN composer_key TEXT NOT NULL DEFAULT '';
UPDATE tune SET composer_key = lower(composer);

CREATE VIRTUAL TABLE tune_search USING fts5 (
    title_key, composer_key,
    content = 'tune', content_rowid = 'id',
    tokenize = 'unicode61 remove_diacritics 2',
    prefix = '1 2 3'
);
INSERT INTO tune_search (tune_search) VALUES ('rebuild');

CREATE TRIGGER tune_search_added AFTER INSERT ON tune BEGIN
    INSERT INTO tune_search (rowid, title_key, composer_key) VALUES (new.id, new.title_key, new.composer_key);
END;
CREATE TRIGGER tune_search_removed AFTER DELETE ON tune BEGIN
    INSERT INTO tune_search (tune_search, rowid, title_key, composer_key) VALUES ('delete', old.id, old.title_key, old.composer_key);
END;
CREATE TRIGGER tune_search_changed AFTER UPDATE OF title_key, composer_key ON tune BEGIN
    INSERT INTO tune_search (tune_search, rowid, title_key, composer_key) VALUES ('delete', old.id, old.title_key, old.composer_key);
    INSERT INTO tune_search (rowid, title_key, composer_key) VALUES (new.id, new.title_key, new.composer_key);
END;

-- The list in each of its orders and narrowed in each way, without reading through the sources.
CREATE INDEX tune_by_change ON tune (changed_at DESC, id DESC) WHERE deleted_at IS NULL;
CREATE INDEX tune_by_addition ON tune (created_at DESC, id DESC) WHERE deleted_at IS NULL;
CREATE INDEX tune_by_bars ON tune (bars, title_key) WHERE deleted_at IS NULL;
CREATE INDEX tune_by_key ON tune (key_name, title_key) WHERE deleted_at IS NULL;
CREATE INDEX tune_by_instrument ON tune (printed_for, title_key) WHERE deleted_at IS NULL;
CREATE INDEX tune_with_lines ON tune (lines) WHERE lines IS NOT NULL AND deleted_at IS NULL;
CREATE INDEX tune_deleted ON tune (deleted_at) WHERE deleted_at IS NOT NULL;
