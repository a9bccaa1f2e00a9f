-- The octave that a teacher chose for a tune on an instrument: how far its written notes move. Without a row the tune finds its own.
CREATE TABLE octave_choice (
    tune_id    INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    instrument TEXT    NOT NULL,
    octaves    INTEGER NOT NULL CHECK (octaves BETWEEN -4 AND 4),
    PRIMARY KEY (tune_id, instrument)
) WITHOUT ROWID;
