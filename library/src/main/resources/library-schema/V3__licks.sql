-- Turns of phrase that a player keeps, as texts that the core reads.
CREATE TABLE lick (
    name TEXT PRIMARY KEY,
    document TEXT NOT NULL
);
