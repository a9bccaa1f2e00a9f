-- What is set, who has done it, and what learners report from home.
CREATE TABLE learner_link (
    learner_id INTEGER PRIMARY KEY REFERENCES learner (id) ON DELETE CASCADE,
    token      TEXT NOT NULL UNIQUE,
    made_at    TEXT NOT NULL
);

CREATE TABLE set_work (
    id         INTEGER PRIMARY KEY,
    class_id   INTEGER NOT NULL REFERENCES school_class (id) ON DELETE CASCADE,
    kind       TEXT    NOT NULL CHECK (kind IN ('tune', 'sheet', 'cards')),
    tune_id    INTEGER REFERENCES tune (id) ON DELETE CASCADE,
    sheet_id   INTEGER REFERENCES sheet (id) ON DELETE CASCADE,
    tempo      INTEGER CHECK (tempo BETWEEN 20 AND 300), -- quarters a minute to reach with a tune
    instrument TEXT,                                     -- the section it is for; null for all
    learner_id INTEGER REFERENCES learner (id) ON DELETE CASCADE, -- the one it is for; null for all
    due        TEXT    NOT NULL,                         -- a day, such as 2026-09-14
    made_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL
);
CREATE INDEX set_work_of_class ON set_work (class_id, due);

-- Who has done what is set; said by the learner or by a teacher.
CREATE TABLE work_done (
    work_id    INTEGER NOT NULL REFERENCES set_work (id) ON DELETE CASCADE,
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    done_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL, -- a teacher's name; empty for the learner
    PRIMARY KEY (work_id, learner_id)
) WITHOUT ROWID;

-- Reports bear keys of their own, so that one that is sent twice counts once.
CREATE TABLE practice (
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    key        TEXT    NOT NULL,
    day        TEXT    NOT NULL, -- the learner's own
    at         TEXT    NOT NULL,
    minutes    INTEGER NOT NULL CHECK (minutes BETWEEN 0 AND 600),
    tune_id    INTEGER REFERENCES tune (id) ON DELETE SET NULL,
    tempo      INTEGER CHECK (tempo BETWEEN 20 AND 300), -- reached
    PRIMARY KEY (learner_id, key)
) WITHOUT ROWID;
CREATE INDEX practice_by_day ON practice (learner_id, day);

CREATE TABLE card_answer (
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    key        TEXT    NOT NULL,
    card       TEXT    NOT NULL,
    day        TEXT    NOT NULL,
    at         TEXT    NOT NULL,
    right      INTEGER NOT NULL,
    seconds    REAL    NOT NULL,
    mistake    TEXT    NOT NULL, -- what happened, in the drills' kinds; empty for a right answer
    PRIMARY KEY (learner_id, key)
) WITHOUT ROWID;

CREATE TABLE card_box (
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    card       TEXT    NOT NULL,
    box        INTEGER NOT NULL CHECK (box BETWEEN 1 AND 5),
    due        TEXT    NOT NULL,
    PRIMARY KEY (learner_id, card)
) WITHOUT ROWID;
