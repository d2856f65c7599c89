-- Paper by the box and powders that keep so long; threads; what a scene shall show; film at a
-- laboratory; prints that were made otherwise than under the enlarger.

ALTER TABLE printing_paper ADD COLUMN boxes TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(boxes));
ALTER TABLE powder ADD COLUMN keeps_days INTEGER;
ALTER TABLE powder ADD COLUMN does_rolls REAL;

ALTER TABLE camera ADD COLUMN shutter TEXT CHECK (shutter IS NULL OR json_valid(shutter));
ALTER TABLE lens ADD COLUMN thread_mm REAL;
ALTER TABLE filter ADD COLUMN thread_mm REAL;
ALTER TABLE filter ADD COLUMN lens_ids TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(lens_ids));

ALTER TABLE scene ADD COLUMN intention TEXT NOT NULL DEFAULT '';

ALTER TABLE run ADD COLUMN laboratory TEXT NOT NULL DEFAULT '';

ALTER TABLE print ADD COLUMN inkjet TEXT CHECK (inkjet IS NULL OR json_valid(inkjet));
