-- What prints are made with, and the prints.
CREATE TABLE printing_paper (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL,
    surface TEXT NOT NULL DEFAULT '',
    filters TEXT NOT NULL CHECK (json_valid(filters)),
    dmax REAL NOT NULL,
    dmin REAL NOT NULL,
    drying_down REAL NOT NULL DEFAULT 0,
    steps TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(steps)),
    baths TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(baths)),
    note TEXT NOT NULL DEFAULT '',
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

CREATE TABLE enlarger (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL,
    lamp_lag_s REAL NOT NULL DEFAULT 0,
    focal_lengths_mm TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(focal_lengths_mm)),
    widest TEXT NOT NULL CHECK (json_valid(widest)),
    smallest TEXT NOT NULL CHECK (json_valid(smallest)),
    least_magnification REAL NOT NULL,
    most_magnification REAL NOT NULL,
    note TEXT NOT NULL DEFAULT '',
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

CREATE TABLE print (
    id TEXT PRIMARY KEY,
    exposure_id TEXT NOT NULL REFERENCES exposure (id),
    title TEXT NOT NULL,
    "plan" TEXT NOT NULL CHECK (json_valid("plan")),
    low REAL,
    high REAL,
    base_fog REAL,
    right_s REAL,
    positive INTEGER NOT NULL DEFAULT 0 CHECK (positive IN (0, 1)),
    strips TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(strips)),
    tries TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(tries)),
    note TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE INDEX print_by_exposure ON print (exposure_id);
