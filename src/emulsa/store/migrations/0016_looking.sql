-- What one sees in a negative beside another; where one looks, and how a scan was made.

ALTER TABLE judgement ADD COLUMN grain TEXT NOT NULL DEFAULT '' CHECK (grain IN ('', 'fine', 'medium', 'coarse'));
ALTER TABLE judgement ADD COLUMN edge TEXT NOT NULL DEFAULT '' CHECK (edge IN ('', 'crisp', 'soft'));
ALTER TABLE judgement ADD COLUMN tone TEXT NOT NULL DEFAULT '' CHECK (tone IN ('', 'soft', 'even', 'hard'));

ALTER TABLE attachment ADD COLUMN places TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(places));
ALTER TABLE attachment ADD COLUMN scanned TEXT CHECK (scanned IS NULL OR json_valid(scanned));

ALTER TABLE film ADD COLUMN uses TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(uses));

CREATE INDEX exposure_by_index ON exposure (exposure_index);

-- The log is searched by developer, index and what a negative showed, too.
DROP VIEW log_words;
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
        || coalesce(judgement.note, '') || ' ' || coalesce(recipe.name, '') || ' '
        || coalesce('EI ' || CAST(round(exposure.exposure_index) AS INTEGER), '') || ' '
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
    LEFT JOIN run ON run.id = piece.run_id
    LEFT JOIN recipe ON recipe.id = coalesce(run.recipe_id, exposure.recipe_id)
) AS concat ON concat.id = exposure.id;

CREATE TRIGGER log_recipe AFTER UPDATE OF name ON recipe WHEN NEW.name <> OLD.name
BEGIN
    INSERT INTO log_stale
    SELECT exposure.id FROM exposure
    JOIN piece ON piece.id = exposure.piece_id
    LEFT JOIN run ON run.id = piece.run_id
    WHERE coalesce(run.recipe_id, exposure.recipe_id) = NEW.id;
END;
CREATE TRIGGER log_run AFTER UPDATE OF recipe_id ON run WHEN NEW.recipe_id IS NOT OLD.recipe_id
BEGIN
    INSERT INTO log_stale
    SELECT exposure.id FROM exposure JOIN piece ON piece.id = exposure.piece_id
    WHERE piece.run_id = NEW.id;
END;

-- what is there is owed, and indexed afterwards in slices
INSERT OR IGNORE INTO log_wait VALUES (1);
INSERT INTO log_stale SELECT id FROM exposure;
DELETE FROM log_wait;
