-- What was decided over a piece's development, bottles that age and are used up by runs, and powders.

ALTER TABLE piece ADD COLUMN choice TEXT CHECK (choice IS NULL OR json_valid(choice));
ALTER TABLE bottle ADD COLUMN age_change REAL NOT NULL DEFAULT 1 CHECK (age_change > 0);
ALTER TABLE run ADD COLUMN bottle_ids TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(bottle_ids));

CREATE TABLE powder (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    volume_ml REAL NOT NULL CHECK (volume_ml > 0),
    start_ml REAL NOT NULL CHECK (start_ml > 0 AND start_ml < volume_ml),
    start_c REAL NOT NULL,
    parts TEXT NOT NULL CHECK (json_valid(parts)),
    kind TEXT NOT NULL,
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;
