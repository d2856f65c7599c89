-- Whose file this is, in its own header ("EmuL"); the devices that were let in over a network.

PRAGMA application_id = 1164801356;

CREATE TABLE device (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL,
    digest TEXT NOT NULL UNIQUE,
    paired_at TEXT NOT NULL,
    seen_at TEXT NOT NULL
) STRICT;
