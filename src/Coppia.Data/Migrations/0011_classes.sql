-- Classes, their learners, and what they know. Of a child nothing but a nickname, an instrument and its size.
CREATE TABLE school_class (
    id             INTEGER PRIMARY KEY,
    name           TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    lesson_minutes INTEGER NOT NULL CHECK (lesson_minutes BETWEEN 5 AND 240),
    style_id       INTEGER REFERENCES style (id) ON DELETE SET NULL, -- null: the house style in force
    version        INTEGER NOT NULL DEFAULT 1, -- grows with every save of the class itself
    known_version  INTEGER NOT NULL DEFAULT 1, -- grows with every change of what it knows
    created_at     TEXT    NOT NULL,
    changed_at     TEXT    NOT NULL
);

CREATE TABLE learner (
    id         INTEGER PRIMARY KEY,
    class_id   INTEGER NOT NULL REFERENCES school_class (id) ON DELETE CASCADE,
    nickname   TEXT    NOT NULL CHECK (length(nickname) BETWEEN 1 AND 40),
    instrument TEXT    NOT NULL,
    size       TEXT    NOT NULL, -- of the instrument's table
    tapes      TEXT,             -- semitones above the nut, parted by spaces; null: as in the house style
    version    INTEGER NOT NULL DEFAULT 1,
    created_at TEXT    NOT NULL
);
CREATE INDEX learner_of_class ON learner (class_id);

-- What a class came to know, and what it was told not to know, one change after the other. Things are lines of text.
CREATE TABLE known_change (
    id            INTEGER PRIMARY KEY,
    class_id      INTEGER NOT NULL REFERENCES school_class (id) ON DELETE CASCADE,
    cause         TEXT    NOT NULL CHECK (cause IN ('stage', 'hand', 'tune')),
    about         TEXT    NOT NULL,           -- the stage's id, or the tune's title
    tune_id       INTEGER REFERENCES tune (id) ON DELETE SET NULL,
    added         TEXT    NOT NULL,
    removed       TEXT    NOT NULL,
    made_at       TEXT    NOT NULL,
    taken_back_at TEXT
);
CREATE INDEX known_change_of_class ON known_change (class_id, id);
