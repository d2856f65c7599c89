-- A copy that is carried along knows what it is a copy of; at home, what could not be done as it was
-- done there lies aside until it is decided.

CREATE TABLE carried (
    made_at TEXT NOT NULL,
    version TEXT NOT NULL,
    last_act INTEGER NOT NULL,
    last_action INTEGER NOT NULL
) STRICT;

CREATE TABLE set_aside (
    id TEXT PRIMARY KEY,
    moment TEXT NOT NULL,
    name TEXT NOT NULL,
    request TEXT NOT NULL,
    label TEXT NOT NULL,
    problem TEXT NOT NULL,
    because TEXT NOT NULL DEFAULT '',
    device TEXT NOT NULL,
    at TEXT NOT NULL,
    fate TEXT NOT NULL DEFAULT '' CHECK (fate IN ('', 'note', 'dropped'))
) STRICT;
