-- The writing desk: tasks, what learners compose, what is said of it, and the booklet of a class.
CREATE TABLE writing_task (
    id         INTEGER PRIMARY KEY,
    title      TEXT    NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
    document   TEXT    NOT NULL, -- the plan of the task as JSON
    version    INTEGER NOT NULL DEFAULT 1,
    created_at TEXT    NOT NULL,
    changed_at TEXT    NOT NULL,
    deleted_at TEXT
);

-- What can be set grows by writing tasks; the tables are made anew, because a check cannot be changed.
CREATE TABLE set_work_new (
    id         INTEGER PRIMARY KEY,
    class_id   INTEGER NOT NULL REFERENCES school_class (id) ON DELETE CASCADE,
    kind       TEXT    NOT NULL CHECK (kind IN ('tune', 'sheet', 'cards', 'writing')),
    tune_id    INTEGER REFERENCES tune (id) ON DELETE CASCADE,
    sheet_id   INTEGER REFERENCES sheet (id) ON DELETE CASCADE,
    task_id    INTEGER REFERENCES writing_task (id) ON DELETE CASCADE,
    tempo      INTEGER CHECK (tempo BETWEEN 20 AND 300), -- quarters a minute to reach with a tune
    instrument TEXT,                                     -- the section it is for; null for all
    learner_id INTEGER REFERENCES learner (id) ON DELETE CASCADE, -- the one it is for; null for all
    due        TEXT    NOT NULL,                         -- a day, such as 2026-09-14
    made_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL
);
INSERT INTO set_work_new (id, class_id, kind, tune_id, sheet_id, tempo, instrument, learner_id, due, made_at, made_by)
SELECT id, class_id, kind, tune_id, sheet_id, tempo, instrument, learner_id, due, made_at, made_by FROM set_work;

CREATE TABLE work_done_new (
    work_id    INTEGER NOT NULL REFERENCES set_work_new (id) ON DELETE CASCADE,
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    done_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL, -- a teacher's name; empty for the learner
    PRIMARY KEY (work_id, learner_id)
) WITHOUT ROWID;
INSERT INTO work_done_new SELECT work_id, learner_id, done_at, made_by FROM work_done;

-- Who points goes before what is pointed at.
DROP TABLE work_done;
DROP TABLE set_work;
ALTER TABLE set_work_new RENAME TO set_work;
ALTER TABLE work_done_new RENAME TO work_done;
CREATE INDEX set_work_of_class ON set_work (class_id, due);
CREATE INDEX set_work_of_learner ON set_work (learner_id);
CREATE INDEX set_work_of_tune ON set_work (tune_id);
CREATE INDEX set_work_of_sheet ON set_work (sheet_id);
CREATE INDEX set_work_of_task ON set_work (task_id);
CREATE INDEX work_done_of_learner ON work_done (learner_id);

-- A learner's piece with the task under which it was begun; it stays when the task is not set any more.
CREATE TABLE hand_in (
    id           INTEGER PRIMARY KEY,
    learner_id   INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    work_id      INTEGER REFERENCES set_work (id) ON DELETE SET NULL,
    task_id      INTEGER REFERENCES writing_task (id) ON DELETE SET NULL,
    level        INTEGER NOT NULL, -- the level of the task; one that the learner goes on to is a piece of its own
    title        TEXT    NOT NULL, -- of the task
    task         TEXT    NOT NULL, -- its plan as JSON
    piece        TEXT    NOT NULL, -- JSON
    state        TEXT    NOT NULL CHECK (state IN ('writing', 'handedIn', 'givenBack', 'accepted')),
    version      INTEGER NOT NULL DEFAULT 1, -- grows with every note that is kept
    made_at      TEXT    NOT NULL,
    changed_at   TEXT    NOT NULL,
    handed_in_at TEXT
);
CREATE INDEX hand_in_of_learner ON hand_in (learner_id);
CREATE INDEX hand_in_of_work ON hand_in (work_id);
CREATE INDEX hand_in_of_task ON hand_in (task_id);

-- How the piece was before; one row a sitting, and before everything that takes much away.
CREATE TABLE hand_in_version (
    id         INTEGER PRIMARY KEY,
    hand_in_id INTEGER NOT NULL REFERENCES hand_in (id) ON DELETE CASCADE,
    piece      TEXT    NOT NULL,
    made_at    TEXT    NOT NULL
);
CREATE INDEX hand_in_version_of ON hand_in_version (hand_in_id, id);

CREATE TABLE hand_in_remark (
    id         INTEGER PRIMARY KEY,
    hand_in_id INTEGER NOT NULL REFERENCES hand_in (id) ON DELETE CASCADE,
    bar        INTEGER, -- from 1; null for the whole piece
    words      TEXT    NOT NULL CHECK (length(words) BETWEEN 1 AND 300),
    made_at    TEXT    NOT NULL,
    made_by    TEXT    NOT NULL
);
CREATE INDEX hand_in_remark_of ON hand_in_remark (hand_in_id, id);

CREATE TABLE booklet (
    class_id   INTEGER PRIMARY KEY REFERENCES school_class (id) ON DELETE CASCADE,
    title      TEXT    NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
    per_page   INTEGER NOT NULL CHECK (per_page IN (1, 2)),
    pairs      INTEGER NOT NULL, -- string and finger under the notes
    names      INTEGER NOT NULL, -- first names, or none
    shown      INTEGER NOT NULL, -- its pieces are on the learners' pages
    changed_at TEXT    NOT NULL
);

CREATE TABLE booklet_piece (
    class_id   INTEGER NOT NULL REFERENCES booklet (class_id) ON DELETE CASCADE,
    hand_in_id INTEGER NOT NULL REFERENCES hand_in (id) ON DELETE CASCADE,
    place      INTEGER NOT NULL,
    PRIMARY KEY (class_id, hand_in_id)
) WITHOUT ROWID;
CREATE INDEX booklet_piece_of ON booklet_piece (hand_in_id);
