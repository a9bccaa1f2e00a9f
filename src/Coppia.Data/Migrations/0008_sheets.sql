-- Sheets of exercises; the document is JSON, with the questions and what they were asked for.
CREATE TABLE sheet (
  id INTEGER PRIMARY KEY,
  heading TEXT NOT NULL,
  instruments TEXT NOT NULL,
  document TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1,
  created_at TEXT NOT NULL,
  changed_at TEXT NOT NULL,
  deleted_at TEXT
);
