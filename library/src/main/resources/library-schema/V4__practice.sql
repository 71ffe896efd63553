-- Every pass that was measured, with its figures; none is ever changed.
CREATE TABLE practice_pass (
    id INTEGER PRIMARY KEY,
    at TEXT NOT NULL,
    seconds REAL NOT NULL,
    tune_id INTEGER REFERENCES tune (id),
    subject TEXT NOT NULL,
    passage TEXT NOT NULL,
    instrument TEXT NOT NULL,
    rung TEXT NOT NULL,
    hands TEXT NOT NULL,
    tempo TEXT,
    part_ms INTEGER NOT NULL,
    even INTEGER NOT NULL,
    variation REAL NOT NULL,
    drift REAL NOT NULL,
    offset_ms REAL NOT NULL,
    expected INTEGER NOT NULL,
    missed INTEGER NOT NULL,
    extra INTEGER NOT NULL
);
