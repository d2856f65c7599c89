-- The complete exposure: schools, marked readings, depth and movement, brackets and shares, what the
-- kit knows besides, and the photographer's preferences.

ALTER TABLE scene ADD COLUMN school TEXT CHECK (school IN (
    'shadow', 'midtone', 'highlight', 'average', 'incident', 'incident_pair', 'as_metered'
));
ALTER TABLE scene ADD COLUMN low TEXT;
ALTER TABLE scene ADD COLUMN light TEXT NOT NULL DEFAULT 'daylight'
    CHECK (light IN ('daylight', 'tungsten'));
ALTER TABLE scene ADD COLUMN depth TEXT CHECK (depth IS NULL OR json_valid(depth));
ALTER TABLE scene ADD COLUMN movement TEXT CHECK (movement IS NULL OR json_valid(movement));

ALTER TABLE reading ADD COLUMN incident INTEGER NOT NULL DEFAULT 0 CHECK (incident IN (0, 1));
ALTER TABLE reading ADD COLUMN through INTEGER NOT NULL DEFAULT 0 CHECK (through IN (0, 1));
ALTER TABLE reading ADD COLUMN graduated INTEGER NOT NULL DEFAULT 0 CHECK (graduated IN (0, 1));
ALTER TABLE reading ADD COLUMN subject TEXT NOT NULL DEFAULT '';

ALTER TABLE exposure ADD COLUMN bracket_id TEXT;
ALTER TABLE exposure ADD COLUMN bracket_stops REAL NOT NULL DEFAULT 0;
ALTER TABLE exposure ADD COLUMN share REAL NOT NULL DEFAULT 1 CHECK (share > 0 AND share <= 1);
ALTER TABLE exposure ADD COLUMN intervals TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(intervals));

ALTER TABLE film ADD COLUMN price REAL CHECK (price >= 0);
ALTER TABLE film ADD COLUMN provenance TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(provenance));
ALTER TABLE camera ADD COLUMN backs TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(backs));
ALTER TABLE meter ADD COLUMN scale TEXT NOT NULL DEFAULT 'third'
    CHECK (scale IN ('third', 'half', 'tenth', 'full'));
ALTER TABLE meter ADD COLUMN spot_deg REAL CHECK (spot_deg > 0);

ALTER TABLE film ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE recipe ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE camera ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE lens ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE pinhole ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE filter ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE meter ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));

CREATE TABLE preference (
    one INTEGER PRIMARY KEY CHECK (one = 1),
    value TEXT NOT NULL CHECK (json_valid(value))
) STRICT;
