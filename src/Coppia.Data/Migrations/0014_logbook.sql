-- Ready sentences that a learner sends to the teacher.
CREATE TABLE learner_note (
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    key        TEXT    NOT NULL,
    day        TEXT    NOT NULL, -- the learner's own
    at         TEXT    NOT NULL,
    note       TEXT    NOT NULL CHECK (note IN ('help', 'well', 'noTime', 'hurts', 'mend')),
    tune_id    INTEGER REFERENCES tune (id) ON DELETE SET NULL,
    PRIMARY KEY (learner_id, key)
) WITHOUT ROWID;

-- By whom; empty for the learner.
ALTER TABLE practice ADD COLUMN made_by TEXT NOT NULL DEFAULT '';

-- The log is read by learner and day; what is deleted finds what hangs on it.
CREATE INDEX card_answer_by_day ON card_answer (learner_id, day);
CREATE INDEX learner_note_by_day ON learner_note (learner_id, day);
CREATE INDEX learner_note_of_tune ON learner_note (tune_id);
CREATE INDEX practice_of_tune ON practice (tune_id);
CREATE INDEX work_done_of_learner ON work_done (learner_id);
CREATE INDEX set_work_of_learner ON set_work (learner_id);
CREATE INDEX set_work_of_tune ON set_work (tune_id);
CREATE INDEX set_work_of_sheet ON set_work (sheet_id);
CREATE INDEX known_change_of_tune ON known_change (tune_id);
