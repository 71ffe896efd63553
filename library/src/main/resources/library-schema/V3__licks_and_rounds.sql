-- Turns of phrase that a player keeps, and what is played each time through, as texts that the core reads.
CREATE TABLE lick (
    name TEXT PRIMARY KEY,
    document TEXT NOT NULL
);
CREATE TABLE rounds (
    name TEXT PRIMARY KEY,
    document TEXT NOT NULL
);
