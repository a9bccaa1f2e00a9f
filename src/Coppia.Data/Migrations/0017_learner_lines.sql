-- Which line of a score one learner reads, where it is not that of their instrument.
CREATE TABLE learner_line (
    learner_id INTEGER NOT NULL REFERENCES learner (id) ON DELETE CASCADE,
    tune_id    INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    line       TEXT    NOT NULL, -- the line's key in the score
    PRIMARY KEY (learner_id, tune_id)
) WITHOUT ROWID;
CREATE INDEX learner_line_of ON learner_line (tune_id);
