-- Which library a file holds. The id is the file's own: a copy and a restored library get another. The lineage is that of all copies
-- of one library; for those made before this step it is the time of their first edition, which they share.
CREATE TABLE library_identity (
    id TEXT NOT NULL,
    lineage TEXT NOT NULL
);
INSERT INTO library_identity (id, lineage) VALUES (
    lower(hex(randomblob(16))),
    coalesce((SELECT made_at FROM edition ORDER BY id LIMIT 1), lower(hex(randomblob(16)))));
-- How many times anything was changed: it never falls, and orders copies by when they were made, whatever the clock said.
CREATE TABLE library_change (
    count INTEGER NOT NULL
);
INSERT INTO library_change (count) VALUES (0);
-- Whose recording a file of the recordings' folder is; empty where that was not said.
CREATE TABLE recording (
    file TEXT PRIMARY KEY,
    tune_id INTEGER NOT NULL,
    student_id INTEGER REFERENCES student (id)
);
-- Files that the program wrote elsewhere and that hold students' names: what they are, and whose; without a student, several people's.
CREATE TABLE written_file (
    path TEXT NOT NULL,
    kind TEXT NOT NULL,
    student_id INTEGER REFERENCES student (id),
    at TEXT NOT NULL,
    PRIMARY KEY (path, kind)
);
