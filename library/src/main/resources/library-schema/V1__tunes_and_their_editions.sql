-- A tune is what it was at its current edition. Editions are never changed or deleted: undoing moves the pointer to the
-- parent, redoing to the youngest child, and an abandoned branch stays where it was.
CREATE TABLE tune (
    id              INTEGER PRIMARY KEY,
    title           TEXT NOT NULL,
    type            TEXT NOT NULL,
    key_name        TEXT NOT NULL,
    meter           TEXT NOT NULL,
    added_at        TEXT NOT NULL,
    removed_at      TEXT,
    current_edition INTEGER
);

CREATE TABLE edition (
    id        INTEGER PRIMARY KEY AUTOINCREMENT,
    tune_id   INTEGER NOT NULL REFERENCES tune (id),
    parent_id INTEGER REFERENCES edition (id),
    made_at   TEXT NOT NULL,
    what      TEXT NOT NULL,
    document  TEXT NOT NULL
);

CREATE INDEX edition_by_tune ON edition (tune_id, id);
CREATE INDEX edition_by_parent ON edition (parent_id);

-- Where the teacher was when the program was closed.
CREATE TABLE remembered (
    name  TEXT PRIMARY KEY,
    value TEXT NOT NULL
);
