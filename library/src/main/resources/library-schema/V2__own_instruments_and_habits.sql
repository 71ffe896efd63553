-- Instruments that a teacher has changed or added, as the text of their file.
CREATE TABLE own_instrument (
    id       TEXT PRIMARY KEY,
    document TEXT NOT NULL
);

-- Where a written pitch is played on an instrument unless a tune says otherwise.
CREATE TABLE habit (
    instrument TEXT NOT NULL,
    pitch      TEXT NOT NULL,
    place      TEXT NOT NULL,
    PRIMARY KEY (instrument, pitch)
);
