-- Changes of a tune's printed bowing that its teacher took, and proposed ones that were refused. The pitch tells whether the note is still the one that was meant.
CREATE TABLE bow_change (
    tune_id INTEGER NOT NULL REFERENCES tune (id) ON DELETE CASCADE,
    note_id TEXT    NOT NULL,
    kind    TEXT    NOT NULL CHECK (kind IN ('slur', 'hook', 'lift')),
    pitch   TEXT    NOT NULL,
    refused INTEGER NOT NULL DEFAULT 0,
    PRIMARY KEY (tune_id, note_id, kind)
) WITHOUT ROWID;
