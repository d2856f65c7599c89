-- What one sees in a negative beside another; where one looks, and how a scan was made.

ALTER TABLE judgement ADD COLUMN grain TEXT NOT NULL DEFAULT '' CHECK (grain IN ('', 'fine', 'medium', 'coarse'));
ALTER TABLE judgement ADD COLUMN edge TEXT NOT NULL DEFAULT '' CHECK (edge IN ('', 'crisp', 'soft'));
ALTER TABLE judgement ADD COLUMN tone TEXT NOT NULL DEFAULT '' CHECK (tone IN ('', 'soft', 'even', 'hard'));

ALTER TABLE attachment ADD COLUMN places TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(places));
ALTER TABLE attachment ADD COLUMN scanned TEXT CHECK (scanned IS NULL OR json_valid(scanned));

ALTER TABLE film ADD COLUMN uses TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(uses));
