-- The darkroom: tanks, lines of baths, bottles; what a run was planned as and what came of it.

CREATE TABLE tank (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    holds INTEGER NOT NULL CHECK (holds BETWEEN 1 AND 100),
    volume_ml REAL NOT NULL CHECK (volume_ml > 0),
    many INTEGER NOT NULL CHECK (many BETWEEN 1 AND 20),
    agitation TEXT NOT NULL,
    pour_s REAL NOT NULL CHECK (pour_s >= 0),
    drain_s REAL NOT NULL CHECK (drain_s >= 0),
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

CREATE TABLE line (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    baths TEXT NOT NULL CHECK (json_valid(baths)),
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

CREATE TABLE bottle (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    kind TEXT NOT NULL,
    mixed TEXT NOT NULL,
    opened TEXT NOT NULL,
    shelf_days INTEGER CHECK (shelf_days > 0),
    capacity_rolls REAL CHECK (capacity_rolls >= 0),
    used_rolls REAL NOT NULL CHECK (used_rolls >= 0),
    fresh_clearing_s REAL CHECK (fresh_clearing_s > 0),
    clearing_s REAL CHECK (clearing_s > 0),
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

ALTER TABLE run ADD COLUMN tank_id TEXT REFERENCES tank (id);
ALTER TABLE run ADD COLUMN line_id TEXT REFERENCES line (id);
ALTER TABLE run ADD COLUMN went TEXT CHECK (went IS NULL OR json_valid(went));
