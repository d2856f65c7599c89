-- Film in hand and the logbook: stock, formats, pieces (sheets and frames) and their moves, rolls and
-- strips, runs, judgements, attachments, and the index the log is searched by.

CREATE TABLE sheet_format (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    width_mm REAL NOT NULL CHECK (width_mm > 0),
    height_mm REAL NOT NULL CHECK (height_mm > 0),
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

CREATE TABLE stock (
    id TEXT PRIMARY KEY,
    film_id TEXT NOT NULL REFERENCES film (id),
    format TEXT NOT NULL,
    count INTEGER NOT NULL CHECK (count BETWEEN 1 AND 10000),
    spent INTEGER NOT NULL DEFAULT 0 CHECK (spent BETWEEN 0 AND count),
    price REAL CHECK (price >= 0),
    expires TEXT NOT NULL DEFAULT '',
    kept TEXT NOT NULL CHECK (kept IN ('freezer', 'fridge', 'shelf', 'bag')),
    opened TEXT NOT NULL DEFAULT '',
    emulsion TEXT NOT NULL DEFAULT '',
    note TEXT NOT NULL,
    archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1))
) STRICT;

ALTER TABLE holder ADD COLUMN format TEXT NOT NULL DEFAULT '4x5';
ALTER TABLE holder ADD COLUMN faults TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(faults));
ALTER TABLE holder ADD COLUMN retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1));

CREATE TABLE roll (
    id TEXT PRIMARY KEY,
    number INTEGER NOT NULL UNIQUE CHECK (number BETWEEN 1 AND 9999),
    film_id TEXT NOT NULL REFERENCES film (id),
    stock_id TEXT REFERENCES stock (id),
    format TEXT NOT NULL,
    frames INTEGER NOT NULL CHECK (frames BETWEEN 1 AND 72),
    camera_id TEXT REFERENCES camera (id),
    back TEXT NOT NULL DEFAULT '',
    exposure_index REAL CHECK (exposure_index > 0),
    place TEXT NOT NULL CHECK (place IN ('camera', 'bag', 'done')),
    advanced INTEGER NOT NULL DEFAULT 0 CHECK (advanced IN (0, 1)),
    next_frame INTEGER NOT NULL DEFAULT 1 CHECK (next_frame BETWEEN 1 AND 73),
    loaded_at TEXT NOT NULL,
    note TEXT NOT NULL
) STRICT;

CREATE TABLE strip (
    id TEXT PRIMARY KEY,
    roll_id TEXT NOT NULL REFERENCES roll (id),
    first_frame INTEGER NOT NULL CHECK (first_frame >= 1),
    last_frame INTEGER NOT NULL CHECK (last_frame >= first_frame),
    n REAL CHECK (n BETWEEN -5 AND 5),
    recipe_id TEXT REFERENCES recipe (id)
) STRICT;

CREATE INDEX strip_by_roll ON strip (roll_id);

CREATE TABLE run (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    recipe_id TEXT REFERENCES recipe (id),
    n REAL NOT NULL CHECK (n BETWEEN -5 AND 5),
    minutes REAL CHECK (minutes > 0),
    temperature_c REAL,
    begun_at TEXT NOT NULL,
    developed_at TEXT NOT NULL DEFAULT '',
    note TEXT NOT NULL
) STRICT;

CREATE TABLE piece (
    id TEXT PRIMARY KEY,
    film_id TEXT NOT NULL REFERENCES film (id),
    stock_id TEXT REFERENCES stock (id),
    label TEXT NOT NULL,
    holder_id TEXT REFERENCES holder (id),
    side TEXT CHECK (side IN ('A', 'B')),
    roll_id TEXT REFERENCES roll (id),
    frame INTEGER CHECK (frame BETWEEN 1 AND 72),
    in_place INTEGER NOT NULL DEFAULT 1 CHECK (in_place IN (0, 1)),
    kept_in TEXT NOT NULL DEFAULT '',
    state TEXT NOT NULL CHECK (state IN (
        'loaded', 'exposed', 'blank', 'in_run', 'developed', 'judged'
    )),
    weight INTEGER NOT NULL DEFAULT 1 CHECK (weight BETWEEN 0 AND 3),
    run_id TEXT REFERENCES run (id),
    loaded_at TEXT NOT NULL,
    CHECK ((holder_id IS NULL) = (side IS NULL)),
    CHECK ((roll_id IS NULL) = (frame IS NULL)),
    CHECK (holder_id IS NULL OR roll_id IS NULL),
    CHECK (run_id IS NULL OR state IN ('in_run', 'developed', 'judged'))
) STRICT;

INSERT INTO piece (id, film_id, label, holder_id, side, state, loaded_at)
SELECT sheet.id, film_id, holder.number || side, holder_id, side, state, loaded_at
FROM sheet JOIN holder ON holder.id = sheet.holder_id
ORDER BY sheet.rowid;

-- One sheet in a side at a time; a frame is once on its roll.
CREATE UNIQUE INDEX piece_in_side ON piece (holder_id, side)
    WHERE in_place = 1 AND holder_id IS NOT NULL;
CREATE UNIQUE INDEX piece_on_roll ON piece (roll_id, frame) WHERE roll_id IS NOT NULL;
CREATE INDEX piece_by_state ON piece (state);
CREATE INDEX piece_by_stock ON piece (stock_id);
CREATE INDEX piece_by_run ON piece (run_id) WHERE run_id IS NOT NULL;

CREATE TABLE step (
    id TEXT PRIMARY KEY,
    at TEXT NOT NULL,
    piece_id TEXT NOT NULL,
    move TEXT NOT NULL,
    before TEXT NOT NULL,
    after TEXT NOT NULL,
    note TEXT NOT NULL
) STRICT;

CREATE INDEX step_by_piece ON step (piece_id);

-- The log, with what each exposure was taken with and what it cost: kept, not looked up again.
CREATE TABLE logged (
    id TEXT PRIMARY KEY,
    scene_id TEXT NOT NULL REFERENCES scene (id),
    piece_id TEXT NOT NULL REFERENCES piece (id),
    exposed_at TEXT NOT NULL,
    aperture TEXT NOT NULL CHECK (json_valid(aperture)),
    seconds REAL NOT NULL CHECK (seconds > 0),
    error_stops REAL NOT NULL,
    n REAL NOT NULL CHECK (n BETWEEN -5 AND 5),
    development_change REAL NOT NULL CHECK (development_change > 0),
    recipe_id TEXT REFERENCES recipe (id),
    core_version TEXT NOT NULL,
    note TEXT NOT NULL,
    bracket_id TEXT,
    bracket_stops REAL NOT NULL DEFAULT 0,
    share REAL NOT NULL DEFAULT 1 CHECK (share > 0 AND share <= 1),
    intervals TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(intervals)),
    lens_id TEXT REFERENCES lens (id),
    pinhole_id TEXT REFERENCES pinhole (id),
    filter_ids TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(filter_ids)),
    exposure_index REAL CHECK (exposure_index > 0),
    cost REAL CHECK (cost >= 0),
    -- long, and last: a line of the log is read without them
    request TEXT NOT NULL CHECK (json_valid(request)),
    answer TEXT NOT NULL CHECK (json_valid(answer))
) STRICT;

INSERT INTO logged (
    id, scene_id, piece_id, exposed_at, aperture, seconds, error_stops, n, development_change,
    recipe_id, request, answer, core_version, note, bracket_id, bracket_stops, share, intervals,
    lens_id, pinhole_id, filter_ids, exposure_index, cost
)
SELECT
    exposure.id, scene_id, sheet_id, exposed_at, exposure.aperture, seconds, error_stops,
    exposure.n, development_change, exposure.recipe_id, request, answer, core_version,
    exposure.note, bracket_id, bracket_stops, share, intervals, scene.lens_id, scene.pinhole_id,
    (
        SELECT json_group_array(filter_id)
        FROM (SELECT filter_id FROM scene_filter WHERE scene_id = scene.id ORDER BY position)
    ),
    json_extract(request, '$.ei'), film.price
FROM exposure
JOIN scene ON scene.id = exposure.scene_id
JOIN sheet ON sheet.id = exposure.sheet_id
JOIN film ON film.id = sheet.film_id
ORDER BY exposure.rowid;

INSERT INTO step (id, at, piece_id, move, before, after, note)
SELECT 'load-' || id, loaded_at, id, 'load', 'empty', 'loaded', '' FROM sheet ORDER BY rowid;
INSERT INTO step (id, at, piece_id, move, before, after, note)
SELECT 'expose-' || exposure.id, exposed_at, sheet_id, 'expose', 'loaded', 'exposed', scene.title
FROM exposure JOIN scene ON scene.id = exposure.scene_id ORDER BY exposure.rowid;

DROP TABLE exposure;
DROP TABLE sheet;
ALTER TABLE logged RENAME TO exposure;

CREATE INDEX exposure_by_scene ON exposure (scene_id);
CREATE INDEX exposure_by_piece ON exposure (piece_id);

-- What is in the journal goes on being undoable under the new names.
UPDATE change SET
    table_name = 'piece',
    before = CASE WHEN before IS NULL THEN NULL ELSE json_set(before, '$.label',
        (SELECT number FROM holder WHERE id = json_extract(before, '$.holder_id'))
        || json_extract(before, '$.side')) END,
    after = CASE WHEN after IS NULL THEN NULL ELSE json_set(after, '$.label',
        (SELECT number FROM holder WHERE id = json_extract(after, '$.holder_id'))
        || json_extract(after, '$.side')) END
WHERE table_name = 'sheet';
UPDATE change SET
    before = json_remove(
        json_set(before, '$.piece_id', json_extract(before, '$.sheet_id')), '$.sheet_id'
    ),
    after = json_remove(
        json_set(after, '$.piece_id', json_extract(after, '$.sheet_id')), '$.sheet_id'
    )
WHERE table_name = 'exposure';

CREATE TABLE judgement (
    id TEXT PRIMARY KEY REFERENCES piece (id),
    at TEXT NOT NULL,
    shadow TEXT NOT NULL CHECK (shadow IN ('none', 'thin', 'full')),
    highlight TEXT NOT NULL CHECK (highlight IN ('flat', 'full', 'blocked')),
    faults TEXT NOT NULL CHECK (json_valid(faults)),
    note TEXT NOT NULL
) STRICT;

CREATE TABLE attachment (
    id TEXT PRIMARY KEY,
    exposure_id TEXT NOT NULL REFERENCES exposure (id),
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
    media_type TEXT NOT NULL CHECK (media_type IN ('image/jpeg', 'image/png', 'image/tiff')),
    bytes INTEGER NOT NULL CHECK (bytes > 0),
    width INTEGER NOT NULL CHECK (width > 0),
    height INTEGER NOT NULL CHECK (height > 0),
    digest TEXT NOT NULL CHECK (length(digest) = 64),
    added_at TEXT NOT NULL,
    note TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE INDEX attachment_by_exposure ON attachment (exposure_id);

ALTER TABLE outing ADD COLUMN light TEXT NOT NULL DEFAULT '';
ALTER TABLE outing ADD COLUMN temperature_c REAL CHECK (temperature_c BETWEEN -60 AND 60);
ALTER TABLE outing ADD COLUMN latitude REAL CHECK (latitude BETWEEN -90 AND 90);
ALTER TABLE outing ADD COLUMN longitude REAL CHECK (longitude BETWEEN -180 AND 180);
ALTER TABLE outing ADD COLUMN packed TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(packed));

ALTER TABLE scene ADD COLUMN revisits TEXT REFERENCES scene (id);
CREATE INDEX scene_by_revisits ON scene (revisits) WHERE revisits IS NOT NULL;

-- History of one record: its changes are found by the record they belong to.
ALTER TABLE change ADD COLUMN record TEXT GENERATED ALWAYS AS (
    CASE WHEN table_name IN ('reading', 'scene_filter')
        THEN json_extract(coalesce(after, before), '$.scene_id')
        ELSE json_extract(coalesce(after, before), '$.id')
    END
) VIRTUAL;
CREATE INDEX change_by_record ON change (record);

-- The log as it is searched. A place is the moment of the exposure in thousandths of a millisecond,
-- moved on by one where two share it: the order of places is the order of time, so the newest
-- matches are found without sorting all of them.
CREATE TABLE log_entry (
    place INTEGER PRIMARY KEY,
    exposure_id TEXT NOT NULL UNIQUE,
    day TEXT NOT NULL,
    film_id TEXT NOT NULL,
    lens_id TEXT,
    pinhole_id TEXT,
    filter_ids TEXT NOT NULL,
    n REAL NOT NULL,
    outing_id TEXT NOT NULL,
    state TEXT NOT NULL
) STRICT;

CREATE INDEX log_by_film ON log_entry (film_id, place);
CREATE INDEX log_by_lens ON log_entry (lens_id, place);
CREATE INDEX log_by_outing ON log_entry (outing_id, place);
CREATE INDEX log_by_state ON log_entry (state, place);
CREATE INDEX log_by_n ON log_entry (n, place);
CREATE INDEX log_by_day ON log_entry (day, place);

CREATE VIRTUAL TABLE log_text USING fts5 (
    words, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3'
);

CREATE VIEW log_words AS
SELECT
    exposure.id AS exposure_id,
    exposure.exposed_at,
    CAST(round((julianday(exposure.exposed_at) - 2440587.5) * 86400000.0) AS INTEGER) * 1000
        AS moment,
    piece.film_id,
    exposure.lens_id,
    exposure.pinhole_id,
    exposure.filter_ids,
    exposure.n,
    scene.outing_id,
    piece.state,
    concat.words
FROM exposure
JOIN piece ON piece.id = exposure.piece_id
JOIN scene ON scene.id = exposure.scene_id
JOIN (
    SELECT
        exposure.id,
        scene.title || ' ' || scene.note || ' ' || exposure.note || ' ' || film.name || ' '
        || coalesce(lens.name, '') || ' ' || coalesce(pinhole.name, '') || ' '
        || outing.title || ' ' || outing.place || ' ' || outing.conditions || ' '
        || outing.light || ' ' || piece.label || ' ' || piece.kept_in || ' '
        || coalesce(judgement.note, '') || ' '
        || coalesce((
            SELECT group_concat(filter.name, ' ') FROM filter
            WHERE filter.id IN (SELECT value FROM json_each(exposure.filter_ids))
        ), '') || ' '
        || coalesce((
            SELECT group_concat(reading.label, ' ') FROM reading
            WHERE reading.scene_id = scene.id
        ), '') AS words
    FROM exposure
    JOIN piece ON piece.id = exposure.piece_id
    JOIN film ON film.id = piece.film_id
    JOIN scene ON scene.id = exposure.scene_id
    JOIN outing ON outing.id = scene.outing_id
    LEFT JOIN lens ON lens.id = exposure.lens_id
    LEFT JOIN pinhole ON pinhole.id = exposure.pinhole_id
    LEFT JOIN judgement ON judgement.id = piece.id
) AS concat ON concat.id = exposure.id;

-- Whatever changes what is said of an exposure names it here, and it is indexed anew at once.
-- While log_wait holds a row nothing is indexed, only named: many at once are indexed afterwards in
-- the order of their time, which is the order the index is quick in (store/log.py).
CREATE TABLE log_stale (exposure_id TEXT PRIMARY KEY ON CONFLICT IGNORE) STRICT, WITHOUT ROWID;
CREATE TABLE log_wait (one INTEGER PRIMARY KEY CHECK (one = 1)) STRICT;

CREATE TRIGGER log_refresh AFTER INSERT ON log_stale
WHEN NOT EXISTS (SELECT 1 FROM log_wait)
BEGIN
    DELETE FROM log_text WHERE rowid = (
        SELECT place FROM log_entry WHERE exposure_id = NEW.exposure_id
    );
    DELETE FROM log_entry
    WHERE exposure_id = NEW.exposure_id
        AND NOT EXISTS (SELECT 1 FROM exposure WHERE id = NEW.exposure_id);
    INSERT INTO log_entry (
        place, exposure_id, day, film_id, lens_id, pinhole_id, filter_ids, n, outing_id, state
    )
    SELECT
        coalesce(
            (SELECT place FROM log_entry WHERE exposure_id = NEW.exposure_id),
            (SELECT max(place) + 1 FROM log_entry WHERE place BETWEEN moment AND moment + 999),
            moment
        ),
        exposure_id, substr(exposed_at, 1, 10), film_id, lens_id, pinhole_id, filter_ids, n,
        outing_id, state
    FROM log_words WHERE exposure_id = NEW.exposure_id
    ON CONFLICT (place) DO UPDATE SET
        film_id = excluded.film_id, lens_id = excluded.lens_id, pinhole_id = excluded.pinhole_id,
        filter_ids = excluded.filter_ids, n = excluded.n, outing_id = excluded.outing_id,
        state = excluded.state;
    INSERT INTO log_text (rowid, words)
    SELECT log_entry.place, log_words.words
    FROM log_words JOIN log_entry ON log_entry.exposure_id = log_words.exposure_id
    WHERE log_words.exposure_id = NEW.exposure_id;
    DELETE FROM log_stale WHERE exposure_id = NEW.exposure_id;
END;

CREATE TRIGGER log_exposed AFTER INSERT ON exposure
BEGIN
    INSERT INTO log_stale VALUES (NEW.id);
END;
CREATE TRIGGER log_corrected AFTER UPDATE ON exposure
BEGIN
    INSERT INTO log_stale VALUES (NEW.id);
END;
CREATE TRIGGER log_gone AFTER DELETE ON exposure
BEGIN
    INSERT INTO log_stale VALUES (OLD.id);
END;
CREATE TRIGGER log_piece AFTER UPDATE OF state, kept_in, label ON piece
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE piece_id = NEW.id;
END;
CREATE TRIGGER log_scene AFTER UPDATE OF title, note, outing_id ON scene
WHEN NEW.title <> OLD.title OR NEW.note <> OLD.note OR NEW.outing_id <> OLD.outing_id
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE scene_id = NEW.id;
END;
CREATE TRIGGER log_reading_new AFTER INSERT ON reading
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE scene_id = NEW.scene_id;
END;
CREATE TRIGGER log_reading_changed AFTER UPDATE OF label ON reading WHEN NEW.label <> OLD.label
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE scene_id = NEW.scene_id;
END;
CREATE TRIGGER log_reading_gone AFTER DELETE ON reading
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE scene_id = OLD.scene_id;
END;
CREATE TRIGGER log_judged AFTER INSERT ON judgement
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE piece_id = NEW.id;
END;
CREATE TRIGGER log_judged_again AFTER UPDATE ON judgement
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE piece_id = NEW.id;
END;
CREATE TRIGGER log_unjudged AFTER DELETE ON judgement
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE piece_id = OLD.id;
END;
CREATE TRIGGER log_outing AFTER UPDATE OF title, place, conditions, light ON outing
WHEN NEW.title <> OLD.title OR NEW.place <> OLD.place OR NEW.conditions <> OLD.conditions
    OR NEW.light <> OLD.light
BEGIN
    INSERT INTO log_stale
    SELECT exposure.id FROM exposure JOIN scene ON scene.id = exposure.scene_id
    WHERE scene.outing_id = NEW.id;
END;
CREATE TRIGGER log_film AFTER UPDATE OF name ON film WHEN NEW.name <> OLD.name
BEGIN
    INSERT INTO log_stale
    SELECT exposure.id FROM exposure JOIN piece ON piece.id = exposure.piece_id
    WHERE piece.film_id = NEW.id;
END;
CREATE TRIGGER log_lens AFTER UPDATE OF name ON lens WHEN NEW.name <> OLD.name
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE lens_id = NEW.id;
END;
CREATE TRIGGER log_pinhole AFTER UPDATE OF name ON pinhole WHEN NEW.name <> OLD.name
BEGIN
    INSERT INTO log_stale SELECT id FROM exposure WHERE pinhole_id = NEW.id;
END;
CREATE TRIGGER log_filter AFTER UPDATE OF name ON filter WHEN NEW.name <> OLD.name
BEGIN
    INSERT INTO log_stale
    SELECT id FROM exposure
    WHERE NEW.id IN (SELECT value FROM json_each(exposure.filter_ids));
END;

INSERT INTO log_stale SELECT id FROM exposure ORDER BY rowid;
