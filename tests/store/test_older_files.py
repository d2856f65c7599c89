"""Files of older versions: brought up whole, with nothing lost and everything still undone."""

import json
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from typing import Any

import pytest

from emulsa.core.corrections.bellows import ByDraw
from emulsa.store import (
    database,
    drawn,
    exposures,
    films,
    journal,
    kit,
    log,
    opening,
    pieces,
    preferences,
    prints,
    restoring,
    scenes,
    soundness,
    unread,
)
from emulsa.store.folder import DATABASE, Unsafe
from emulsa.store.transactions import transaction
from tests.databases import redo, undo
from tests.effort import part


def of_version(version: int, folder: Path) -> database.Connection:
    """A new file as a version left it, its triggers laid."""
    old = database.connect(folder / "old.sqlite3")
    drawn.for_migrations(old)
    for number, script in database.migrations()[:version]:
        with transaction(old):
            for statement in database.statements(script):
                old.execute(statement)
            old.execute(f"PRAGMA user_version = {number}")
    with transaction(old):
        journal.install(old)
    return old


@contextmanager
def recorded(old: database.Connection, label: str, at: str) -> Iterator[None]:
    """An action as older programs recorded one."""
    with transaction(old):
        number = old.execute("INSERT INTO action (at, label) VALUES (?, ?)", (at, label)).lastrowid
        old.execute("UPDATE journal_cursor SET action_id = ?", (number,))
        yield
        old.execute("UPDATE journal_cursor SET action_id = NULL")


# A file as the second version wrote it: film in holder 7, a scene to expose it on.
SECOND = """
INSERT INTO film (id, name, exposure_index, textural_low, textural_high, note)
    VALUES ('f', 'Old 100', 64, 2, 8, '');
INSERT INTO holder (id, number, note) VALUES ('h', 7, '');
INSERT INTO outing (id, title, day, place, conditions, note)
    VALUES ('o', 'Old outing', '2025-05-01', '', '', '');
INSERT INTO scene (id, outing_id, title, note, film_id, focus)
    VALUES ('c', 'o', 'Old scene', '', 'f', '{}')
"""
SECOND_TABLES = (
    "film recipe camera lens pinhole filter meter holder sheet outing scene reading scene_filter"
    " exposure preference"
).split()


def test_sheets_of_an_older_file_keep_their_story(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Sheets and exposures of the second version become pieces with steps, found in the log; what
    was done to them then is still undone one by one."""
    with monkeypatch.context() as then:
        then.setattr(journal, "JOURNALED", SECOND_TABLES)
        old = of_version(2, tmp_path)
    with transaction(old):
        for statement in SECOND.split(";"):
            old.execute(statement)
    with recorded(old, "loaded", "then"):
        old.execute("INSERT INTO sheet VALUES ('s', 'f', 'h', 'B', 'loaded', 'then')")
    with recorded(old, "exposed", "then"):
        old.execute("UPDATE sheet SET state = 'exposed'")
        old.execute(
            "INSERT INTO exposure (id, scene_id, sheet_id, exposed_at, aperture, seconds,"
            " error_stops, n, development_change, request, answer, core_version, note) VALUES"
            " ('e', 'c', 's', '2025-05-01T10:00:00.000Z', '\"32\"', 2, 0, -1, 1,"
            " '{\"ei\": 64}', '{}', '0.1.0', 'wind')"
        )
    database.migrate(old)
    sheet = pieces.piece(old, "s")
    assert sheet is not None
    assert (sheet.label, sheet.state, sheet.in_place) == ("7B", "exposed", True)
    assert [each.move for each in pieces.steps(old, "s")] == ["load", "expose"]
    (line,) = log.page(old, log.Sought(text="wind old"))
    assert (line.where, line.film_name, line.aperture) == ("7B", "Old 100", "32")
    undo(old)
    sheet = pieces.piece(old, "s")
    assert sheet is not None
    assert sheet.state == "loaded"
    assert log.page(old, log.Sought()) == []
    undo(old)
    assert pieces.piece(old, "s") is None
    redo(old)
    redo(old)
    assert len(log.page(old, log.Sought(text="wind"))) == 1
    old.close()


# A file as the twelfth version wrote it: two negatives judged full and thin, one half a share.
TWELFTH = """
INSERT INTO film (id, name, exposure_index, textural_low, textural_high, note)
    VALUES ('f', 'Old 100', 64, 2, 8, '');
INSERT INTO outing (id, title, day, place, conditions, note)
    VALUES ('o', 'Old', '2026-01-17', '', '', '');
INSERT INTO scene (id, outing_id, title, note, film_id, focus)
    VALUES ('c', 'o', 'Unsaid', '', 'f', '{"kind":"infinity"}'),
        ('d', 'o', 'Said', '', 'f', '{"kind":"draw","draw_mm":180}');
INSERT INTO piece (id, film_id, label, state, loaded_at)
    VALUES ('p', 'f', '1A', 'judged', 'then'), ('q', 'f', '1B', 'judged', 'then');
INSERT INTO exposure (id, scene_id, piece_id, exposed_at, aperture, seconds, error_stops, n,
        development_change, core_version, note, share, request, answer)
    VALUES ('e', 'c', 'p', '2026-01-17T10:00:00.000Z', '"32"', 2, 0, 0, 1, '0.1.0', '', 0.5,
        '{"ei": 64}', '{}'),
        ('g', 'd', 'q', '2026-01-17T11:00:00.000Z', '"32"', 2, 0, 0, 1, '0.1.0', '', 1,
        '{"ei": 64}', '{}');
INSERT INTO preference VALUES (1, '{"habits": {"blur_mm": 0.1, "shadow_zone": 4}}')
"""


def test_words_keep_what_they_meant(tmp_path: Path) -> None:
    """*Full* was full or more before there was *heavy*, a focus nobody said was infinity, a share
    an exposure of its own; what was judged then still undoes to what it was."""
    old = of_version(12, tmp_path)
    with transaction(old):
        for statement in TWELFTH.split(";\n"):
            old.execute(statement)
    judged = "INSERT INTO judgement (id, at, shadow, highlight, faults, note) VALUES"
    with recorded(old, "judged", "then"):
        old.execute(f"{judged} ('p', 'then', 'full', 'full', '[]', '')")
    with recorded(old, "judged", "then"):
        old.execute(f"{judged} ('q', 'then', 'thin', 'full', '[]', '')")
    with recorded(old, "judged again", "then"):
        old.execute("UPDATE judgement SET shadow = 'none' WHERE id = 'p'")
    database.migrate(old)

    def shadows() -> list[str]:
        return [row[0] for row in old.execute("SELECT shadow FROM judgement ORDER BY id")]

    assert shadows() == ["none", "thin"]
    undo(old)
    assert shadows() == ["at_least_full", "thin"]
    said, unsaid = scenes.scene(old, "d"), scenes.scene(old, "c")
    assert said is not None
    assert unsaid is not None
    assert (said.focus, unsaid.focus) == (ByDraw(draw_mm=180), None)
    shares = [row[0] for row in old.execute("SELECT share_of FROM exposure ORDER BY id")]
    assert shares == ["scenes", "one_scene"]
    habits = preferences.preferences(old).habits
    assert (habits.blur_mm, habits.shadow_zone) == (None, 4)
    old.close()


def _older_print(tries: int, seconds: float) -> dict[str, str]:
    """A print as the fourteenth version kept it: so many tries, the last of them final; two of its
    strips have the ids of another print's."""
    shape = {"kind": "circle", "points": [{"x": 0.5, "y": 0.5}, {"x": 0.6, "y": 0.5}]}
    area = {"id": "a", "label": "Sky", "act": "burn", "part": "b", "stops": 1.0, "seconds": None}

    def plan(of: float) -> dict[str, Any]:
        part = {"id": "b", "label": "no filter", "seconds": of, "filter_factor": None}
        return {"parts": [part], "areas": [{**area, "shape": shape}]}

    made = [
        {"number": each, "at": f"then {each}", "plan": plan(each), "says": f"try {each}",
         "marks": [{"x": 0.1, "y": 0.2, "says": "pale"}], "final": each == tries}
        for each in range(1, tries + 1)
    ]  # fmt: skip
    strip = {"kind": "linear", "step_s": 3.0, "strips": 5, "chosen": 2.5}
    strips = [{"id": "same", "label": "no filter", "strip": strip, "note": f"of {tries}"}]
    return {
        "plan": json.dumps(plan(seconds)),
        "tries": json.dumps(made),
        "strips": json.dumps(strips if tries else []),
    }


def test_tries_become_rows(tmp_path: Path) -> None:
    """What stood within a print is rows of its own, each shape once; what was done to them then is
    undone, and done again, as it was."""
    old = of_version(14, tmp_path)
    with transaction(old):
        for statement in TWELFTH.split(";\n")[:-1]:
            old.execute(statement)
    keep = (
        'INSERT INTO print (id, exposure_id, title, "plan", tries, strips)'
        " VALUES (:id, 'e', :id, :plan, :tries, :strips) ON CONFLICT (id) DO UPDATE SET"
        ' "plan" = :plan, tries = :tries, strips = :strips'
    )
    for label, id_, tries, seconds in (
        ("begun", "p", 0, 10.0),
        ("made one", "p", 1, 10.0),
        ("made two", "p", 2, 12.0),
        ("another", "q", 1, 5.0),
        ("one less", "p", 1, 12.0),
    ):
        with recorded(old, label, "then"):
            old.execute(keep, {"id": id_, **_older_print(tries, seconds)})
    with recorded(old, "deleted", "then"):
        old.execute("DELETE FROM print WHERE id = 'q'")
    database.migrate(old)

    def there() -> list[Any]:
        return [
            (
                line.print.id,
                line.print.plan.parts[0].seconds,
                [(each.number, each.says, each.final) for each in prints.tries(old, line.print.id)],
                [each.note for each in prints.strips(old, line.print.id)],
            )
            for line in prints.lines(old)
        ]

    one, two = (1, "try 1", False), (2, "try 2", True)
    only = (1, "try 1", True)
    p_now = ("p", 12.0, [only], ["of 1"])
    states: list[Any] = [
        [p_now],
        [("q", 5.0, [only], ["of 1"]), p_now],
        [("q", 5.0, [only], ["of 1"]), ("p", 12.0, [one, two], ["of 2"])],
        [("p", 12.0, [one, two], ["of 2"])],
        [("p", 10.0, [only], ["of 1"])],
        [("p", 10.0, [], [])],
        [],
    ]
    assert there() == states[0]
    (tried,) = prints.tries(old, "p")
    assert tried.plan.areas[0].shape is not None
    assert tried.plan.areas[0].shape.points[1].x == 0.6
    assert tried.plan.parts[0].seconds == 1
    assert [each.says for each in tried.marks] == ["pale"]
    assert old.execute("SELECT count(*) FROM print_shape").fetchone()[0] == 1
    assert list(unread.found(old)) == []
    for state in states[1:]:
        undo(old)
        assert there() == state
    for state in reversed(states[:-1]):
        redo(old)
        assert there() == state
    old.close()


def test_an_older_file_is_brought_up_to_date(tmp_path: Path) -> None:
    """Data written by the first version is read by this one, and its old actions still undo."""
    old = of_version(1, tmp_path)
    with recorded(old, "a film", "then"):
        old.execute(
            "INSERT INTO film VALUES ('f', 'Old 100', 100, 2, 8, NULL, ''),"
            " ('g', 'Old 50', 50, 2, 8, NULL, '')"
        )
    with recorded(old, "a film less", "then"):
        old.execute("DELETE FROM film WHERE id = 'g'")
    assert database.migrate(old) == database.migrations()[-1][0]
    assert [(each.name, each.price, each.archived) for each in films.films(old)] == [
        ("Old 100", None, False)
    ]
    undo(old)
    assert [each.name for each in films.films(old)] == ["Old 100", "Old 50"]
    undo(old)
    assert films.films(old) == []
    old.close()


# A file as the fifth version wrote it, with a sheet for every exposure.
FIFTH = SECOND.replace("INSERT INTO holder (id, number, note) VALUES ('h', 7, '')", "SELECT 1")
METERS = """
INSERT INTO meter (id, name, calibration, iso, note) VALUES
    ('m', 'Meter', '{}', 400, ''), ('unsaid', 'Another', '{}', 100, '')
"""


def logged(
    old: database.Connection, id_: str, error: float, n: float, planned: float | None
) -> None:
    """An exposure as the fifth version logged it: its N moved by the error."""
    answer = "{}" if planned is None else f'{{"development": {{"n": {planned}}}}}'
    old.execute(
        "INSERT INTO piece (id, film_id, label, state, loaded_at, in_place)"
        f" VALUES ('{id_}-film', 'f', '', 'exposed', '', 0)"
    )
    old.execute(
        "INSERT INTO exposure (id, scene_id, piece_id, exposed_at, aperture, seconds, error_stops,"
        " n, development_change, request, answer, core_version, note)"
        " VALUES (:id, 'c', :piece, '', '\"32\"', 2, :error, :n, 1, '{}', :answer, '', '')",
        {"id": id_, "piece": f"{id_}-film", "error": error, "n": n, "answer": answer},
    )


def test_the_planned_n_is_told_from_the_error_again(tmp_path: Path) -> None:
    """N−1 planned and a stop over was kept as N−2, and the error was taken off once more: as for
    N−3. What was typed over it stays as it was typed, what has no plan stays as it is."""
    old = of_version(5, tmp_path)
    with transaction(old):
        for statement in FIFTH.split(";"):
            old.execute(statement)
        old.execute(METERS)
        logged(old, "brought-in", 1, -2, -1)
    with recorded(old, "exposed", "then"):
        logged(old, "over", 1, -2, -1)
        logged(old, "under", -0.5, 0.5, 0)
        logged(old, "as-planned", 0.2, -1, -1)
        logged(old, "far", 5, -5, -2)
        logged(old, "no-plan", 1, -2, None)
        logged(old, "typed", 1, -2, -1)
    with recorded(old, "typed over", "then"):
        old.execute("UPDATE exposure SET n = 1 WHERE id = 'typed'")
    database.migrate(old)

    def kept() -> dict[str, float]:
        return {row["id"]: row["n"] for row in old.execute("SELECT id, n FROM exposure")}

    planned = {
        "brought-in": -1,
        "over": -1,
        "under": 0,
        "as-planned": -1,
        "far": -2,
        "no-plan": -2,
        "typed": 1,
    }
    assert kept() == planned
    over = exposures.exposure(old, "over")
    assert over is not None
    assert (over.n, over.error_stops) == (-1, 1)
    undo(old)
    assert kept() == {**planned, "typed": -1}  # as it was planned, before anything was typed
    undo(old)
    assert kept() == {"brought-in": -1}
    redo(old)
    redo(old)
    assert kept() == planned
    meters = [(each.id, each.iso, each.held_stops) for each in kit.everything(old)["meters"]]
    assert meters == [("unsaid", None, 0), ("m", 400, 0)]
    old.close()


VERSIONS = [number for number, _ in database.migrations()]


@pytest.mark.parametrize("version", part(VERSIONS, 2))
def test_what_was_handed_out_never_changes(version: int, tmp_path: Path) -> None:
    """Each version's tables and columns are those that were handed out under its number: a
    migration is never edited, another number is added. Such a folder opens whole."""
    with closing(of_version(version, tmp_path)) as old:
        assert database.form(old) == database.forms()[version]
    (tmp_path / "old.sqlite3").rename(tmp_path / DATABASE)
    opening.prepare(tmp_path / DATABASE)
    assert soundness.problems(tmp_path / DATABASE, thorough=True) == []
    with closing(database.connect(tmp_path / DATABASE)) as now:
        assert database.form(now) == database.forms()[VERSIONS[-1]]
        assert unread.found(now) is not None
        assert list(unread.found(now)) == []


# What commits between two versions made, before their migrations were edited: files nobody was to
# have, which were opened without a word and failed at every act.
BETWEEN = {
    "bc4f275": (3, "DROP TABLE log_wait", "the table log_wait"),
    "d0dcd9e": (4, "ALTER TABLE run DROP COLUMN went", "went of the table run"),
    "e393590": (7, "ALTER TABLE film DROP COLUMN box_speed", "box_speed of the table film"),
    "1ad1933": (8, "DROP TABLE bulk", "the table bulk"),
}


@pytest.mark.parametrize("commit", BETWEEN)
def test_a_file_between_two_versions_is_refused(commit: str, tmp_path: Path) -> None:
    """With what it lacks, and nothing is changed; as a backup, too."""
    version, without, lacks = BETWEEN[commit]
    with closing(of_version(version, tmp_path)) as old, transaction(old):
        journal.remove(old)
        for trigger in old.execute("SELECT name FROM sqlite_master WHERE type = 'trigger'"):
            old.execute(f"DROP TRIGGER {trigger['name']}")
        old.execute(without)
    path = tmp_path / "old.sqlite3"
    before = path.read_bytes()
    with pytest.raises(Unsafe, match=f"lacks {lacks}, which a log of its version"):
        opening.prepare(path)
    assert path.read_bytes() == before
    (problem,) = soundness.problems(path)
    assert "a version of Emulsa between two others" in problem
    with pytest.raises(Unsafe, match="lacks"):
        restoring.restore(tmp_path / "home", path, "20260201-100000")
