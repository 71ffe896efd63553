-- How many ornaments of a pass were meant and came, where somebody listened; 0 of 0 where nobody did.
ALTER TABLE practice_pass ADD COLUMN ornaments_meant INTEGER NOT NULL DEFAULT 0;
ALTER TABLE practice_pass ADD COLUMN ornaments_came INTEGER NOT NULL DEFAULT 0;
