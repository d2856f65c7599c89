-- A picture may be of a scene, which is metered by it; readings may lie in it.

CREATE TABLE attachment_new (
    id TEXT PRIMARY KEY,
    exposure_id TEXT REFERENCES exposure (id),
    test_id TEXT REFERENCES film_test (id),
    scene_id TEXT REFERENCES scene (id),
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
    media_type TEXT NOT NULL CHECK (media_type IN ('image/jpeg', 'image/png', 'image/tiff')),
    bytes INTEGER NOT NULL CHECK (bytes > 0),
    width INTEGER NOT NULL CHECK (width > 0),
    height INTEGER NOT NULL CHECK (height > 0),
    digest TEXT NOT NULL CHECK (length(digest) = 64),
    added_at TEXT NOT NULL,
    note TEXT NOT NULL DEFAULT '',
    places TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(places)),
    scanned TEXT CHECK (scanned IS NULL OR json_valid(scanned)),
    metering TEXT CHECK (metering IS NULL OR json_valid(metering)),
    CHECK ((exposure_id IS NOT NULL) + (test_id IS NOT NULL) + (scene_id IS NOT NULL) = 1)
) STRICT;
INSERT INTO attachment_new (
    rowid, id, exposure_id, test_id, name, media_type, bytes, width, height, digest, added_at, note,
    places, scanned
)
SELECT
    rowid, id, exposure_id, test_id, name, media_type, bytes, width, height, digest, added_at, note,
    places, scanned
FROM attachment;
DROP TABLE attachment;
ALTER TABLE attachment_new RENAME TO attachment;
CREATE INDEX attachment_by_exposure ON attachment (exposure_id);
CREATE INDEX attachment_by_test ON attachment (test_id);
CREATE INDEX attachment_by_scene ON attachment (scene_id);

ALTER TABLE reading ADD COLUMN spot TEXT CHECK (spot IS NULL OR json_valid(spot));
