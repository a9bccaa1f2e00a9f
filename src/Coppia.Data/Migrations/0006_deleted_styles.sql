-- A deleted style is put away like a tune, so that it can come back.
ALTER TABLE style ADD COLUMN deleted_at TEXT;
