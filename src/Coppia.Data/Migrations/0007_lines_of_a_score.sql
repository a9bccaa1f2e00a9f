-- Of a score with several lines, which line each instrument reads and from which one the others are moved, as JSON; null where there is one.
ALTER TABLE tune ADD COLUMN lines TEXT;
