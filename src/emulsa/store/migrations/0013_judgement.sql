-- Judgement: what is not said is not infinity, why film is rated otherwise, whose opening a share
-- is, what a shadow shows beyond full, and the index learning is weighed against.

ALTER TABLE scene ADD COLUMN said_focus TEXT CHECK (said_focus IS NULL OR json_valid(said_focus));
UPDATE scene SET said_focus = focus WHERE json_extract(focus, '$.kind') <> 'infinity';
ALTER TABLE scene DROP COLUMN focus;
ALTER TABLE scene RENAME COLUMN said_focus TO focus;
ALTER TABLE scene ADD COLUMN rating_reason TEXT
    CHECK (rating_reason IN ('index', 'push_pull', 'filter', 'safety'));
ALTER TABLE scene ADD COLUMN keep_ei INTEGER NOT NULL DEFAULT 0 CHECK (keep_ei IN (0, 1));

ALTER TABLE exposure ADD COLUMN rating_reason TEXT
    CHECK (rating_reason IN ('index', 'push_pull', 'filter', 'safety'));
ALTER TABLE exposure ADD COLUMN share_of TEXT NOT NULL DEFAULT 'one_scene'
    CHECK (share_of IN ('one_scene', 'scenes'));
-- until now every share was reckoned as an exposure of its own
UPDATE exposure SET share_of = 'scenes' WHERE share < 1;

-- what the dial of a measured shutter stood at, beside the time it gives
ALTER TABLE exposure ADD COLUMN mark TEXT NOT NULL DEFAULT '';

ALTER TABLE roll ADD COLUMN rating_reason TEXT
    CHECK (rating_reason IN ('index', 'push_pull', 'filter', 'safety'));

ALTER TABLE film ADD COLUMN prior_ei REAL CHECK (prior_ei > 0);

-- "full" meant at least full as long as there was no word beyond it
ALTER TABLE judgement ADD COLUMN seen_shadow TEXT NOT NULL DEFAULT 'full'
    CHECK (seen_shadow IN ('none', 'thin', 'full', 'heavy', 'at_least_full'));
UPDATE judgement SET seen_shadow = CASE shadow WHEN 'full' THEN 'at_least_full' ELSE shadow END;
ALTER TABLE judgement DROP COLUMN shadow;
ALTER TABLE judgement RENAME COLUMN seen_shadow TO shadow;
ALTER TABLE judgement ADD COLUMN left_out TEXT NOT NULL DEFAULT '';
UPDATE change SET before = json_set(before, '$.shadow', 'at_least_full')
WHERE table_name = 'judgement' AND json_extract(before, '$.shadow') = 'full';
UPDATE change SET after = json_set(after, '$.shadow', 'at_least_full')
WHERE table_name = 'judgement' AND json_extract(after, '$.shadow') = 'full';

-- the blur that was everybody's default goes by the format now
UPDATE preference SET value = json_remove(value, '$.habits.blur_mm')
WHERE json_extract(value, '$.habits.blur_mm') = 0.1;
