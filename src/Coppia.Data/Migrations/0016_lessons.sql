-- Lessons of a class: the run-sheet as it is planned, and as it was taught.
CREATE TABLE lesson (
    id         INTEGER PRIMARY KEY,
    class_id   INTEGER NOT NULL REFERENCES school_class (id) ON DELETE CASCADE,
    day        TEXT    NOT NULL, -- such as 2026-09-14
    document   TEXT    NOT NULL, -- its steps as JSON; they name tunes by their places in lesson_tune
    taught_at  TEXT,
    version    INTEGER NOT NULL DEFAULT 1,
    made_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL,
    deleted_at TEXT
);
CREATE INDEX lesson_of_class ON lesson (class_id, day);

-- The tunes of a lesson; one that is deleted for good leaves its place empty.
CREATE TABLE lesson_tune (
    lesson_id INTEGER NOT NULL REFERENCES lesson (id) ON DELETE CASCADE,
    place     INTEGER NOT NULL,
    tune_id   INTEGER REFERENCES tune (id) ON DELETE SET NULL,
    PRIMARY KEY (lesson_id, place)
) WITHOUT ROWID;
CREATE INDEX lesson_tune_of ON lesson_tune (tune_id);
