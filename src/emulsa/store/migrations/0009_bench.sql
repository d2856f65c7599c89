-- Film tests: one film in one recipe, its curves as they were measured.
CREATE TABLE film_test (
    id TEXT PRIMARY KEY,
    film_id TEXT NOT NULL REFERENCES film (id),
    recipe_id TEXT REFERENCES recipe (id),
    title TEXT NOT NULL,
    day TEXT NOT NULL DEFAULT '',
    target TEXT NOT NULL DEFAULT '',
    curves TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(curves)),
    beside TEXT,
    match_net REAL NOT NULL DEFAULT 0.1,
    verdict TEXT NOT NULL DEFAULT '',
    note TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE INDEX film_test_by_film ON film_test (film_id);
