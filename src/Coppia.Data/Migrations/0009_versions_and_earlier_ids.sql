-- A style grows its version with every save, as a tune does.
ALTER TABLE style ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
ALTER TABLE style ADD COLUMN changed_at TEXT;

-- Ids that a tune's notes had while its music was another, so that pins come back with it. The music is a hash of its notes.
CREATE TABLE earlier_ids (
    tune_id  INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    music    TEXT    NOT NULL,
    note_ids TEXT,
    kept_at  TEXT    NOT NULL,
    PRIMARY KEY (tune_id, music)
) WITHOUT ROWID;
