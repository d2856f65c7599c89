-- The house: film, kit, holders, outings, scenes, the log, and the journal that makes undo exact.

CREATE TABLE film (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    exposure_index REAL NOT NULL CHECK (exposure_index > 0),
    textural_low REAL NOT NULL CHECK (textural_low BETWEEN 0 AND 10),
    textural_high REAL NOT NULL CHECK (textural_high BETWEEN 0 AND 10),
    law TEXT CHECK (law IS NULL OR json_valid(law)),
    note TEXT NOT NULL,
    CHECK (textural_low < textural_high)
) STRICT;

CREATE TABLE recipe (
    id TEXT PRIMARY KEY,
    film_id TEXT NOT NULL REFERENCES film (id),
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    recipe TEXT NOT NULL CHECK (json_valid(recipe)),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE camera (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    width_mm REAL NOT NULL CHECK (width_mm > 0),
    height_mm REAL NOT NULL CHECK (height_mm > 0),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE lens (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    camera_id TEXT REFERENCES camera (id),
    optics TEXT NOT NULL CHECK (json_extract(optics, '$.kind') = 'lens'),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE pinhole (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    camera_id TEXT REFERENCES camera (id),
    optics TEXT NOT NULL CHECK (json_extract(optics, '$.kind') = 'pinhole'),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE filter (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    filter TEXT NOT NULL CHECK (json_valid(filter)),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE meter (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    calibration TEXT NOT NULL CHECK (json_valid(calibration)),
    iso REAL NOT NULL CHECK (iso > 0),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE holder (
    id TEXT PRIMARY KEY,
    number INTEGER NOT NULL UNIQUE CHECK (number BETWEEN 1 AND 999),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE sheet (
    id TEXT PRIMARY KEY,
    film_id TEXT NOT NULL REFERENCES film (id),
    holder_id TEXT NOT NULL REFERENCES holder (id),
    side TEXT NOT NULL CHECK (side IN ('A', 'B')),
    state TEXT NOT NULL CHECK (state IN ('loaded', 'exposed')),
    loaded_at TEXT NOT NULL,
    UNIQUE (holder_id, side)
) STRICT;

CREATE TABLE outing (
    id TEXT PRIMARY KEY,
    title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
    day TEXT NOT NULL,
    place TEXT NOT NULL,
    conditions TEXT NOT NULL,
    note TEXT NOT NULL
) STRICT;

CREATE TABLE scene (
    id TEXT PRIMARY KEY,
    outing_id TEXT NOT NULL REFERENCES outing (id),
    title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 80),
    note TEXT NOT NULL,
    film_id TEXT REFERENCES film (id),
    exposure_index REAL CHECK (exposure_index > 0),
    recipe_id TEXT REFERENCES recipe (id),
    lens_id TEXT REFERENCES lens (id),
    pinhole_id TEXT REFERENCES pinhole (id),
    meter_id TEXT REFERENCES meter (id),
    focus TEXT NOT NULL CHECK (json_valid(focus)),
    aperture TEXT CHECK (aperture IS NULL OR json_valid(aperture)),
    pin TEXT CHECK (pin IS NULL OR json_valid(pin)),
    high TEXT CHECK (high IS NULL OR json_valid(high)),
    n REAL CHECK (n BETWEEN -5 AND 5),
    CHECK (lens_id IS NULL OR pinhole_id IS NULL)
) STRICT;

CREATE INDEX scene_by_outing ON scene (outing_id);

CREATE TABLE reading (
    scene_id TEXT NOT NULL REFERENCES scene (id),
    id TEXT NOT NULL,
    position INTEGER NOT NULL,
    label TEXT NOT NULL,
    reading TEXT NOT NULL CHECK (json_valid(reading)),
    taken_at TEXT NOT NULL,
    PRIMARY KEY (scene_id, id)
) STRICT;

CREATE TABLE scene_filter (
    scene_id TEXT NOT NULL REFERENCES scene (id),
    position INTEGER NOT NULL,
    filter_id TEXT NOT NULL REFERENCES filter (id),
    PRIMARY KEY (scene_id, position)
) STRICT;

CREATE TABLE exposure (
    id TEXT PRIMARY KEY,
    scene_id TEXT NOT NULL REFERENCES scene (id),
    sheet_id TEXT NOT NULL REFERENCES sheet (id),
    exposed_at TEXT NOT NULL,
    aperture TEXT NOT NULL CHECK (json_valid(aperture)),
    seconds REAL NOT NULL CHECK (seconds > 0),
    error_stops REAL NOT NULL,
    n REAL NOT NULL CHECK (n BETWEEN -5 AND 5),
    development_change REAL NOT NULL CHECK (development_change > 0),
    recipe_id TEXT REFERENCES recipe (id),
    request TEXT NOT NULL CHECK (json_valid(request)),
    answer TEXT NOT NULL CHECK (json_valid(answer)),
    core_version TEXT NOT NULL,
    note TEXT NOT NULL
) STRICT;

CREATE INDEX exposure_by_scene ON exposure (scene_id);
CREATE INDEX exposure_by_sheet ON exposure (sheet_id);

-- Every change of every row above is written here by triggers (store/journal.py), as JSON before
-- and after, under the action that made it. Undo plays an action's changes backwards.
CREATE TABLE action (
    id INTEGER PRIMARY KEY,
    at TEXT NOT NULL,
    label TEXT NOT NULL,
    undone INTEGER NOT NULL DEFAULT 0 CHECK (undone IN (0, 1)),
    superseded INTEGER NOT NULL DEFAULT 0 CHECK (superseded IN (0, 1))
) STRICT;

CREATE TABLE change (
    id INTEGER PRIMARY KEY,
    action_id INTEGER NOT NULL REFERENCES action (id),
    table_name TEXT NOT NULL,
    before TEXT,
    after TEXT
) STRICT;

CREATE INDEX change_by_action ON change (action_id);

CREATE TABLE journal_cursor (
    one INTEGER PRIMARY KEY CHECK (one = 1),
    action_id INTEGER REFERENCES action (id)
) STRICT;

INSERT INTO journal_cursor (one, action_id) VALUES (1, NULL);
