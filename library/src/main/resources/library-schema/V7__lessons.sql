-- A lesson has its length, and the lines it was planned in: what was to be done, and what became of it (OPEN, DONE, PARTLY, LEFT).
ALTER TABLE meeting ADD COLUMN minutes INTEGER NOT NULL DEFAULT 60;
CREATE TABLE meeting_line (
    meeting_id INTEGER NOT NULL REFERENCES meeting (id),
    position INTEGER NOT NULL,
    line TEXT NOT NULL,
    words TEXT NOT NULL,
    minutes INTEGER NOT NULL,
    became TEXT NOT NULL,
    PRIMARY KEY (meeting_id, position)
);
