-- Ids of a tune's bars and notes in the order of printing, as one JSON list, once an edit of its source has made them other than the places
-- of its notes. Pins and bow changes hang on these ids.
ALTER TABLE tune ADD COLUMN note_ids TEXT;
