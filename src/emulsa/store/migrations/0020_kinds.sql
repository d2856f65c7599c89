-- Kinds of film, a little light before the exposure, how the camera stands, and where the sky is
-- asked for.

ALTER TABLE film ADD COLUMN kind TEXT;
ALTER TABLE scene ADD COLUMN movements TEXT CHECK (movements IS NULL OR json_valid(movements));
ALTER TABLE scene ADD COLUMN pre_exposure_zone REAL;
ALTER TABLE scene ADD COLUMN bearing TEXT CHECK (bearing IS NULL OR json_valid(bearing));
ALTER TABLE outing ADD COLUMN height_m REAL NOT NULL DEFAULT 0;
ALTER TABLE lens ADD COLUMN circle_mm REAL;
ALTER TABLE lens ADD COLUMN centre_filter_stops REAL NOT NULL DEFAULT 0;
ALTER TABLE lens ADD COLUMN fall_off_power REAL NOT NULL DEFAULT 4;

ALTER TABLE printing_paper ADD COLUMN long_exponent REAL NOT NULL DEFAULT 1;

ALTER TABLE sheet_format ADD COLUMN film TEXT NOT NULL DEFAULT '';
ALTER TABLE sheet_format ADD COLUMN frames INTEGER NOT NULL DEFAULT 1;

-- what film it was taken on stays with its plan
ALTER TABLE exposure ADD COLUMN film_kind TEXT AS (json_extract(request, '$.film_kind')) VIRTUAL;
