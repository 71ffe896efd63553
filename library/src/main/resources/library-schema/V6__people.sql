-- Those who learn, as texts that the core reads. Who leaves is deleted here and everywhere below.
CREATE TABLE student (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    document TEXT NOT NULL,
    joined_at TEXT NOT NULL
);
-- Which rung of a tune a student is on; and what is next by the teacher's own word, empty where that is computed.
CREATE TABLE learning (
    student_id INTEGER NOT NULL REFERENCES student (id),
    tune_id INTEGER NOT NULL REFERENCES tune (id),
    rung INTEGER NOT NULL,
    decided TEXT NOT NULL,
    since TEXT NOT NULL,
    PRIMARY KEY (student_id, tune_id)
);
-- What was given out: none is ever changed.
CREATE TABLE given (
    id INTEGER PRIMARY KEY,
    student_id INTEGER NOT NULL REFERENCES student (id),
    tune_id INTEGER NOT NULL REFERENCES tune (id),
    edition_id INTEGER,
    at TEXT NOT NULL,
    rung TEXT NOT NULL,
    tempo TEXT NOT NULL,
    what TEXT NOT NULL
);
CREATE INDEX given_by_student ON given (student_id, id);
-- Lessons and workshops, and who was there.
CREATE TABLE meeting (
    id INTEGER PRIMARY KEY,
    at TEXT NOT NULL,
    kind TEXT NOT NULL,
    tunes TEXT NOT NULL,
    remark TEXT NOT NULL
);
CREATE TABLE attendance (
    meeting_id INTEGER NOT NULL REFERENCES meeting (id),
    student_id INTEGER NOT NULL REFERENCES student (id),
    PRIMARY KEY (meeting_id, student_id)
);
-- Who played a pass; empty where that was not said.
ALTER TABLE practice_pass ADD COLUMN student_id INTEGER REFERENCES student (id);
