-- What lies aside, found by what it would have made: whatever speaks of that hangs on it.

CREATE TABLE aside_made (
    record TEXT NOT NULL,
    aside_id TEXT NOT NULL REFERENCES set_aside (id) ON DELETE CASCADE,
    PRIMARY KEY (record, aside_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX aside_made_by_aside ON aside_made (aside_id);

INSERT INTO aside_made (record, aside_id)
    SELECT value, set_aside.id FROM set_aside, json_each(set_aside.request, '$.path')
        WHERE json_each.type = 'text'
    UNION
    SELECT json_extract(request, '$.body.id'), id FROM set_aside
        WHERE json_type(request, '$.body.id') = 'text';
