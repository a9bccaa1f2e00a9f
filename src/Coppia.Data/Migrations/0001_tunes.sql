-- Tunes with their source text exactly as it was given. Times are UTC in ISO 8601.
CREATE TABLE tune (
    id          INTEGER PRIMARY KEY,
    title       TEXT    NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
    title_key   TEXT    NOT NULL, -- title folded for searching
    composer    TEXT    NOT NULL CHECK (length(composer) <= 200),
    printed_for TEXT    NOT NULL,
    source      TEXT    NOT NULL,
    key_name    TEXT    NOT NULL,
    meter       TEXT    NOT NULL,
    clef        TEXT    NOT NULL,
    bars        INTEGER NOT NULL,
    version     INTEGER NOT NULL DEFAULT 1, -- grows with every save, so that a second window is noticed
    created_at  TEXT    NOT NULL,
    changed_at  TEXT    NOT NULL,
    deleted_at  TEXT
);

CREATE INDEX tune_by_title ON tune (title_key) WHERE deleted_at IS NULL;
