-- No number is used twice: a class that is deleted and one that is made later are two, whatever remembers the first one's number.
-- AUTOINCREMENT says so, and changes nothing in how rows are stored, so that the definitions can be rewritten in place
-- (SQLite, ALTER TABLE, "Making Other Kinds Of Table Schema Changes").
PRAGMA writable_schema = ON;
UPDATE sqlite_master
SET sql = replace(sql, 'INTEGER PRIMARY KEY,', 'INTEGER PRIMARY KEY AUTOINCREMENT,')
WHERE type = 'table' AND name IN (
    'tune', 'style', 'sheet', 'school_class', 'learner', 'known_change', 'teacher',
    'writing_task', 'set_work', 'hand_in', 'hand_in_version', 'hand_in_remark', 'lesson'
);
PRAGMA writable_schema = RESET;

INSERT INTO sqlite_sequence (name, seq) SELECT 'tune', coalesce(max(id), 0) FROM tune;
INSERT INTO sqlite_sequence (name, seq) SELECT 'style', coalesce(max(id), 0) FROM style;
INSERT INTO sqlite_sequence (name, seq) SELECT 'sheet', coalesce(max(id), 0) FROM sheet;
INSERT INTO sqlite_sequence (name, seq) SELECT 'school_class', coalesce(max(id), 0) FROM school_class;
INSERT INTO sqlite_sequence (name, seq) SELECT 'learner', coalesce(max(id), 0) FROM learner;
INSERT INTO sqlite_sequence (name, seq) SELECT 'known_change', coalesce(max(id), 0) FROM known_change;
INSERT INTO sqlite_sequence (name, seq) SELECT 'teacher', coalesce(max(id), 0) FROM teacher;
INSERT INTO sqlite_sequence (name, seq) SELECT 'writing_task', coalesce(max(id), 0) FROM writing_task;
INSERT INTO sqlite_sequence (name, seq) SELECT 'set_work', coalesce(max(id), 0) FROM set_work;
INSERT INTO sqlite_sequence (name, seq) SELECT 'hand_in', coalesce(max(id), 0) FROM hand_in;
INSERT INTO sqlite_sequence (name, seq) SELECT 'hand_in_version', coalesce(max(id), 0) FROM hand_in_version;
INSERT INTO sqlite_sequence (name, seq) SELECT 'hand_in_remark', coalesce(max(id), 0) FROM hand_in_remark;
INSERT INTO sqlite_sequence (name, seq) SELECT 'lesson', coalesce(max(id), 0) FROM lesson;
