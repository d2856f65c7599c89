-- Film tests with their tablet, strips, colours, conditions and what the eye says; pictures of them.
ALTER TABLE film_test ADD COLUMN tablet TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(tablet));
ALTER TABLE film_test ADD COLUMN tablet_log_h REAL;
ALTER TABLE film_test ADD COLUMN strips TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(strips));
ALTER TABLE film_test ADD COLUMN others TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(others));
ALTER TABLE film_test ADD COLUMN bracket_stops REAL NOT NULL DEFAULT 2.0;
ALTER TABLE film_test ADD COLUMN print_s REAL;
ALTER TABLE film_test ADD COLUMN colours TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(colours));
ALTER TABLE film_test ADD COLUMN conditions TEXT NOT NULL DEFAULT '{}'
    CHECK (json_valid(conditions));
ALTER TABLE film_test ADD COLUMN observed TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(observed));
UPDATE film_test SET target = 'bracket in stops' WHERE target NOT IN (
    '', 'bracket in stops', '21-step tablet', '31-step tablet', 'own tablet', 'Zone I and Zone VIII'
);

-- A picture belongs to an exposure, or to a film test whose strips it shows.
CREATE TABLE attachment_new (
    id TEXT PRIMARY KEY,
    exposure_id TEXT REFERENCES exposure (id),
    test_id TEXT REFERENCES film_test (id),
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
    media_type TEXT NOT NULL CHECK (media_type IN ('image/jpeg', 'image/png', 'image/tiff')),
    bytes INTEGER NOT NULL CHECK (bytes > 0),
    width INTEGER NOT NULL CHECK (width > 0),
    height INTEGER NOT NULL CHECK (height > 0),
    digest TEXT NOT NULL CHECK (length(digest) = 64),
    added_at TEXT NOT NULL,
    note TEXT NOT NULL DEFAULT '',
    CHECK ((exposure_id IS NULL) <> (test_id IS NULL))
) STRICT;
INSERT INTO attachment_new (
    rowid, id, exposure_id, name, media_type, bytes, width, height, digest, added_at, note
)
SELECT rowid, id, exposure_id, name, media_type, bytes, width, height, digest, added_at, note
FROM attachment;
DROP TABLE attachment;
ALTER TABLE attachment_new RENAME TO attachment;
CREATE INDEX attachment_by_exposure ON attachment (exposure_id);
CREATE INDEX attachment_by_test ON attachment (test_id);

-- What a densitometer found on the negative, beside what the eye says.
ALTER TABLE judgement ADD COLUMN base_fog REAL;
ALTER TABLE judgement ADD COLUMN measured TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(measured));
