-- Acts: what was done, by the id the page gave it, so that the same act handed in again is answered as
-- it was the first time, and could be done again elsewhere in the same order. The planned N of an
-- exposure apart from its error; meters without an ISO of their own; the best frame of a bracket.

CREATE TABLE act (
    number INTEGER PRIMARY KEY,
    id TEXT NOT NULL UNIQUE CHECK (length(id) BETWEEN 1 AND 64),
    moment TEXT NOT NULL,
    name TEXT NOT NULL,
    request TEXT NOT NULL CHECK (json_valid(request)),
    status INTEGER NOT NULL,
    answer TEXT NOT NULL,
    touched TEXT NOT NULL CHECK (json_valid(touched)),
    action_id INTEGER REFERENCES action (id)
) STRICT;

CREATE INDEX act_by_action ON act (action_id) WHERE action_id IS NOT NULL;

ALTER TABLE judgement ADD COLUMN best INTEGER NOT NULL DEFAULT 0 CHECK (best IN (0, 1));

ALTER TABLE meter ADD COLUMN held_stops REAL NOT NULL DEFAULT 0;
ALTER TABLE meter ADD COLUMN own_iso REAL CHECK (own_iso > 0);
UPDATE meter SET own_iso = iso WHERE iso <> 100;  -- 100 was what nobody had said anything else of
ALTER TABLE meter DROP COLUMN iso;
ALTER TABLE meter RENAME COLUMN own_iso TO iso;

-- Until now N was moved by an error of more than a third of a stop when an exposure was logged, and
-- development took the error off again. Where N is the planned one moved by the error, to the half,
-- it becomes the planned one; so does one that is still as it was first logged. What was typed over
-- it stays. First the journal, by whose first word on an exposure the second is told.
CREATE TEMP TABLE mixed AS
SELECT
    each.id, each.side, each.planned,
    -- half_steps(planned - error): to the half, ties towards N, no further than 5
    max(-5.0, min(5.0, (CASE WHEN each.twice < 0 THEN -0.5 ELSE 0.5 END) * (
        CASE WHEN abs(each.twice) <= 0.5 THEN 0
        ELSE CAST(abs(each.twice) - 0.5 AS INTEGER)
            + (abs(each.twice) - 0.5 > CAST(abs(each.twice) - 0.5 AS INTEGER)) END
    ))) AS moved,
    each.n, each.error
FROM (
    SELECT
        id, side, n, error, planned, round(2 * (planned - error), 9) AS twice
    FROM (
        SELECT
            id, 'after' AS side, json_extract(after, '$.n') AS n,
            json_extract(after, '$.error_stops') AS error,
            json_extract(json_extract(after, '$.answer'), '$.development.n') AS planned
        FROM change WHERE table_name = 'exposure' AND after IS NOT NULL
        UNION ALL
        SELECT
            id, 'before', json_extract(before, '$.n'), json_extract(before, '$.error_stops'),
            json_extract(json_extract(before, '$.answer'), '$.development.n')
        FROM change WHERE table_name = 'exposure' AND before IS NOT NULL
    )
    WHERE planned IS NOT NULL
) AS each
WHERE abs(each.error) > 1.0 / 3 + 1e-9;

DELETE FROM mixed WHERE n <> moved;

-- exposures whose N stands as it was first logged, mixed
UPDATE exposure SET n = json_extract(answer, '$.development.n')
WHERE json_extract(answer, '$.development.n') IS NOT NULL
    AND n <> json_extract(answer, '$.development.n')
    AND EXISTS (
        SELECT 1 FROM change JOIN mixed ON mixed.id = change.id AND mixed.side = 'after'
        WHERE change.table_name = 'exposure' AND change.before IS NULL
            AND json_extract(change.after, '$.id') = exposure.id AND mixed.moved = exposure.n
    );

-- and those that were never journaled (brought in), or whose last error moved them
UPDATE exposure SET n = json_extract(answer, '$.development.n')
WHERE json_extract(answer, '$.development.n') IS NOT NULL
    AND abs(error_stops) > 1.0 / 3 + 1e-9
    AND n = (
        SELECT max(-5.0, min(5.0, (CASE WHEN twice < 0 THEN -0.5 ELSE 0.5 END) * (
            CASE WHEN abs(twice) <= 0.5 THEN 0
            ELSE CAST(abs(twice) - 0.5 AS INTEGER)
                + (abs(twice) - 0.5 > CAST(abs(twice) - 0.5 AS INTEGER)) END
        )))
        FROM (
            SELECT round(
                2 * (json_extract(exposure.answer, '$.development.n') - exposure.error_stops), 9
            ) AS twice
        )
    );

UPDATE change SET after = json_set(
    after, '$.n',
    json(printf('%!.17g', (
        SELECT planned FROM mixed WHERE mixed.id = change.id AND mixed.side = 'after'
    )))
)
WHERE id IN (SELECT id FROM mixed WHERE side = 'after');
UPDATE change SET before = json_set(
    before, '$.n',
    json(printf('%!.17g', (
        SELECT planned FROM mixed WHERE mixed.id = change.id AND mixed.side = 'before'
    )))
)
WHERE id IN (SELECT id FROM mixed WHERE side = 'before');

DROP TABLE mixed;
