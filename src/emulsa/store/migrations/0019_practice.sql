-- Practice: answers and scenes of its own, apart from all that was really exposed.

CREATE TABLE practice_answer (
    id TEXT PRIMARY KEY,
    day TEXT NOT NULL,
    topic TEXT NOT NULL,
    seed INTEGER NOT NULL,
    level INTEGER NOT NULL,
    kit TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(kit)),
    given REAL NOT NULL,
    of_set INTEGER
) STRICT;

CREATE TABLE practised_scene (
    id TEXT PRIMARY KEY,
    begun_at TEXT NOT NULL,
    source TEXT NOT NULL CHECK (json_valid(source)),
    scene TEXT NOT NULL CHECK (json_valid(scene)),
    by_hand INTEGER NOT NULL DEFAULT 0,
    spots TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(spots)),
    exposed TEXT CHECK (exposed IS NULL OR json_valid(exposed)),
    off_stops REAL
) STRICT;
