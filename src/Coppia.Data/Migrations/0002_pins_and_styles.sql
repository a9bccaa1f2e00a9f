-- Pairs that a teacher fixed on a tune's notes, per instrument. The pitch tells whether the note is still the one that was pinned.
CREATE TABLE pin (
    tune_id    INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    instrument TEXT    NOT NULL,
    note_id    TEXT    NOT NULL,
    pitch      TEXT    NOT NULL,
    string     INTEGER NOT NULL,
    finger     INTEGER NOT NULL,
    PRIMARY KEY (tune_id, instrument, note_id)
) WITHOUT ROWID;

-- Instruments for which the fingers printed in the source count as pins.
CREATE TABLE printed_fingers (
    tune_id    INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    instrument TEXT    NOT NULL,
    PRIMARY KEY (tune_id, instrument)
) WITHOUT ROWID;

-- House styles: one is current.
CREATE TABLE style (
    id      INTEGER PRIMARY KEY,
    name    TEXT    NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    json    TEXT    NOT NULL,
    current INTEGER NOT NULL DEFAULT 0
);

CREATE UNIQUE INDEX one_current_style ON style (current) WHERE current = 1;
