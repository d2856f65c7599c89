-- Whose file this is, in its own header ("EmuL"); the devices that were let in over a network.

PRAGMA application_id = 1164801356;

CREATE TABLE device (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL,
    digest TEXT NOT NULL UNIQUE,
    paired_at TEXT NOT NULL,
    seen_at TEXT NOT NULL
) STRICT;

-- Rows that came in together, so many that each is written to the journal only when they are taken
-- back: until then they are what they were when they came, since undo goes backwards.
CREATE TABLE bulk (
    action_id INTEGER NOT NULL REFERENCES action (id),
    table_name TEXT NOT NULL,
    first INTEGER NOT NULL,
    last INTEGER NOT NULL,
    PRIMARY KEY (action_id, table_name)
) STRICT, WITHOUT ROWID;

-- Scenes to go back to are read from the latest day on.
CREATE INDEX outing_by_day ON outing (day);
