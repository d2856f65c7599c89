-- Strips and tries are rows of their own, and a drawn shape is kept once, however many plans have it.

CREATE TABLE print_shape (
    id TEXT PRIMARY KEY,
    shape TEXT NOT NULL CHECK (json_valid(shape))
) STRICT;

CREATE TABLE print_strip (
    id TEXT PRIMARY KEY,
    print_id TEXT NOT NULL REFERENCES print (id),
    at TEXT NOT NULL DEFAULT '',
    label TEXT NOT NULL DEFAULT '',
    "over" TEXT NOT NULL DEFAULT '',
    strip TEXT NOT NULL CHECK (json_valid(strip)),
    note TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX print_strip_by_print ON print_strip (print_id);

CREATE TABLE print_try (
    id TEXT PRIMARY KEY,
    print_id TEXT NOT NULL REFERENCES print (id),
    number INTEGER NOT NULL,
    at TEXT NOT NULL DEFAULT '',
    "plan" TEXT NOT NULL CHECK (json_valid("plan")),
    shapes TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(shapes)),
    marks TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(marks)),
    says TEXT NOT NULL DEFAULT '',
    next_time TEXT NOT NULL DEFAULT '',
    final INTEGER NOT NULL DEFAULT 0 CHECK (final IN (0, 1)),
    edition TEXT NOT NULL DEFAULT '',
    toning TEXT NOT NULL DEFAULT '',
    developer TEXT NOT NULL DEFAULT '',
    hangs TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX print_try_by_print ON print_try (print_id);

ALTER TABLE print ADD COLUMN shapes TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(shapes));

-- every state of a print there is or was: as it stands, and in the journal before and after
CREATE TABLE told_print (change_id INTEGER, side TEXT, print_id TEXT, "plan" TEXT, strips TEXT, tries TEXT);
INSERT INTO told_print
    SELECT 0, 'now', id, "plan", strips, tries FROM print
    UNION ALL
    SELECT id, 'before', json_extract(before, '$.id'), json_extract(before, '$.plan'),
        json_extract(before, '$.strips'), json_extract(before, '$.tries')
    FROM change WHERE table_name = 'print' AND before IS NOT NULL
    UNION ALL
    SELECT id, 'after', json_extract(after, '$.id'), json_extract(after, '$.plan'),
        json_extract(after, '$.strips'), json_extract(after, '$.tries')
    FROM change WHERE table_name = 'print' AND after IS NOT NULL;
CREATE INDEX told_print_by_change ON told_print (change_id, side);

-- a strip keeps its id, unless two prints had strips of one id
CREATE TABLE told_strip (of_print TEXT, called TEXT, id TEXT, PRIMARY KEY (of_print, called));
INSERT INTO told_strip
    SELECT print_id, called,
        iif(count(*) OVER (PARTITION BY called) = 1, called, substr(print_id, 1, 30) || ':' || called)
    FROM (
        SELECT DISTINCT print_id, json_extract(each.value, '$.id') AS called
        FROM told_print, json_each(strips) AS each
    );

-- each part of such a state as the JSON of the row it becomes
CREATE TABLE told_part (
    change_id INTEGER, side TEXT, kind TEXT, key TEXT, place INTEGER, "row" TEXT
);
INSERT INTO told_part
    SELECT change_id, side, 'print_try', substr(print_id, 1, 60) || ':' || json_extract(each.value, '$.number'),
        each.key,
        json_object(
            'id', substr(print_id, 1, 60) || ':' || json_extract(each.value, '$.number'),
            'print_id', print_id,
            'number', json_extract(each.value, '$.number'),
            'at', coalesce(json_extract(each.value, '$.at'), ''),
            'plan', plan_bare(json_extract(each.value, '$.plan')),
            'shapes', plan_shapes(json_extract(each.value, '$.plan')),
            'marks', coalesce(json_extract(each.value, '$.marks') || '', '[]'),
            'says', coalesce(json_extract(each.value, '$.says'), ''),
            'next_time', coalesce(json_extract(each.value, '$.next_time'), ''),
            'final', coalesce(json_extract(each.value, '$.final'), 0),
            'edition', coalesce(json_extract(each.value, '$.edition'), ''),
            'toning', coalesce(json_extract(each.value, '$.toning'), ''),
            'developer', coalesce(json_extract(each.value, '$.developer'), ''),
            'hangs', coalesce(json_extract(each.value, '$.hangs'), '')
        )
    FROM told_print, json_each(tries) AS each
    UNION ALL
    SELECT change_id, side, 'print_strip', told_strip.id, each.key,
        json_object(
            'id', told_strip.id,
            'print_id', print_id,
            'at', coalesce(json_extract(each.value, '$.at'), ''),
            'label', coalesce(json_extract(each.value, '$.label'), ''),
            'over', coalesce(json_extract(each.value, '$.over'), ''),
            'strip', json_extract(each.value, '$.strip') || '',
            'note', coalesce(json_extract(each.value, '$.note'), '')
        )
    FROM told_print, json_each(strips) AS each
    JOIN told_strip ON told_strip.of_print = print_id
        AND told_strip.called = json_extract(each.value, '$.id');

-- where each of them stands among the rows, in whatever state it is
CREATE TABLE told_place (kind TEXT, key TEXT, place INTEGER, PRIMARY KEY (kind, key));
INSERT INTO told_place
    SELECT kind, key, row_number() OVER (PARTITION BY kind ORDER BY min(change_id), min(place), key)
    FROM told_part GROUP BY kind, key;
UPDATE told_part SET "row" = json_set("row", '$.rowid', (
    SELECT place FROM told_place
    WHERE told_place.kind = told_part.kind AND told_place.key = told_part.key
));
CREATE INDEX told_part_by_change ON told_part (change_id, kind, key, side);

INSERT OR IGNORE INTO print_shape (id, shape)
    SELECT shape.key, shape.value FROM told_print, json_each(plan_drawn("plan")) AS shape
    UNION
    SELECT shape.key, shape.value
    FROM told_print, json_each(tries) AS each,
        json_each(plan_drawn(json_extract(each.value, '$.plan'))) AS shape;

INSERT INTO print_try (rowid, id, print_id, number, at, "plan", shapes, marks, says, next_time,
        final, edition, toning, developer, hangs)
    SELECT json_extract("row", '$.rowid'), json_extract("row", '$.id'),
        json_extract("row", '$.print_id'), json_extract("row", '$.number'),
        json_extract("row", '$.at'), json_extract("row", '$.plan'),
        json_extract("row", '$.shapes'), json_extract("row", '$.marks'),
        json_extract("row", '$.says'), json_extract("row", '$.next_time'),
        json_extract("row", '$.final'), json_extract("row", '$.edition'),
        json_extract("row", '$.toning'), json_extract("row", '$.developer'),
        json_extract("row", '$.hangs')
    FROM told_part WHERE side = 'now' AND kind = 'print_try';
INSERT INTO print_strip (rowid, id, print_id, at, label, "over", strip, note)
    SELECT json_extract("row", '$.rowid'), json_extract("row", '$.id'),
        json_extract("row", '$.print_id'), json_extract("row", '$.at'),
        json_extract("row", '$.label'), json_extract("row", '$.over'),
        json_extract("row", '$.strip'), json_extract("row", '$.note')
    FROM told_part WHERE side = 'now' AND kind = 'print_strip';

-- what was done to them is undone as it was done, a row each
INSERT INTO change (action_id, table_name, before, after)
    SELECT change.action_id, part.kind, was."row", came."row"
    FROM (SELECT DISTINCT change_id, kind, key FROM told_part WHERE change_id > 0) AS part
    JOIN change ON change.id = part.change_id
    LEFT JOIN told_part AS was ON was.change_id = part.change_id AND was.kind = part.kind
        AND was.key = part.key AND was.side = 'before'
    LEFT JOIN told_part AS came ON came.change_id = part.change_id AND came.kind = part.kind
        AND came.key = part.key AND came.side = 'after'
    WHERE was."row" IS NOT came."row"
    ORDER BY part.change_id, part.kind, coalesce(came.place, was.place);
UPDATE change SET
    before = json_set(json_remove(before, '$.strips', '$.tries'),
        '$.plan', plan_bare(json_extract(before, '$.plan')),
        '$.shapes', plan_shapes(json_extract(before, '$.plan')))
WHERE table_name = 'print' AND before IS NOT NULL;
UPDATE change SET
    after = json_set(json_remove(after, '$.strips', '$.tries'),
        '$.plan', plan_bare(json_extract(after, '$.plan')),
        '$.shapes', plan_shapes(json_extract(after, '$.plan')))
WHERE table_name = 'print' AND after IS NOT NULL;

UPDATE print SET shapes = plan_shapes("plan");
UPDATE print SET "plan" = plan_bare("plan");
ALTER TABLE print DROP COLUMN strips;
ALTER TABLE print DROP COLUMN tries;
DROP TABLE told_part;
DROP TABLE told_place;
DROP TABLE told_strip;
DROP TABLE told_print;
