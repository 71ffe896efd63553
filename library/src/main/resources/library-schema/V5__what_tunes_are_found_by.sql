-- What a tune is found by besides its words, worked out from an edition: a row of another edition than the current one is out of date.
CREATE TABLE profile (
    tune_id INTEGER PRIMARY KEY REFERENCES tune (id),
    edition_id INTEGER NOT NULL,
    notes TEXT NOT NULL
);
-- Words that a teacher has put on a tune.
CREATE TABLE tag (
    tune_id INTEGER NOT NULL REFERENCES tune (id),
    word TEXT NOT NULL,
    PRIMARY KEY (tune_id, word)
);
