"""A record that is there and cannot be read darkens nothing: it is named, the others are shown, and
it is put back as it was or taken out."""

from inspect import Parameter
from typing import Any

import pytest

from emulsa.api.replies import File
from emulsa.api.route import Route
from emulsa.api.routing import TABLE
from tests.acts.doing import Answer, Hands, Request
from tests.acts.test_limits import ROOMS


@pytest.fixture
def hands(folder: Any) -> Any:
    working = Hands(folder)
    yield working
    working.close()


# A record spoilt as an earlier version could have, the room it is in, and its list there.
SPOILT: dict[str, tuple[str, str, str]] = {
    "meter": ("calibration = json_set(calibration, '$.offset_stops', 9)", "kit.read", "meters"),
    "printing_paper": ("filters = '[]'", "kit.read", "papers"),
    "recipe": ("recipe = json_set(recipe, '$.points[0].minutes', 900)", "kit.read", "recipes"),
    "print": (
        "plan = json_set(plan, '$.parts[0].seconds', 9000)",
        "prints.read",
        "prints",
    ),
    "film_test": ("curves = json_set(curves, '$[0].minutes', 0)", "bench.read", "tests"),
}


@pytest.mark.parametrize("table", SPOILT)
def test_the_others_are_shown(hands: Hands, table: str) -> None:
    """In its room and all others; the bad one is named with what is wrong; it goes when it is
    mended, and undo brings exactly it back."""
    how, room, listed = SPOILT[table]
    there = [each["id"] for each in hands.do(Request(room)).content[listed]]
    id_ = there[0]
    hands.db.execute(f"UPDATE {table} SET {how} WHERE id = ?", [id_])
    spoilt = hands.picture()
    for each in ROOMS:
        assert hands.do(Request(each)).ok, each
    assert [each["id"] for each in hands.do(Request(room)).content[listed]] == there[1:]
    (unread,) = hands.do(Request("unread.read")).content
    assert (unread["table"], unread["id"], unread["back"]) == (table, id_, False)
    assert "cannot be read: " in unread["says"]
    answer = mended(hands, table, id_)
    if answer.ok:
        assert "take out" in answer.content["says"]
        assert hands.do(Request("unread.read")).content == []
        assert hands.undo().ok
    else:
        assert "still used" in answer.content["error"]["message"]
    assert hands.picture() == spoilt


def test_it_is_put_back_as_it_could_be_read(hands: Hands) -> None:
    """Where the journal knows a state that can; not when nothing is wrong."""
    meter = hands.do(Request("kit.read")).content["meters"][0]
    told = {**meter, "note": "sound"}
    assert hands.do(Request("kit.put_meter", {"id": meter["id"]}, body=told)).ok
    assert "nothing is wrong" in mended(hands, "meter", meter["id"]).content["error"]["message"]
    spoil(hands, "meter", meter["id"])
    (unread,) = hands.do(Request("unread.read")).content
    assert unread["back"] is True
    assert mended(hands, "meter", meter["id"]).ok
    assert hands.do(Request("kit.read")).content["meters"][0] == told
    assert mended(hands, "nothing", "x").status == 422


def test_film_is_not_taken_out(hands: Hands) -> None:
    """What the story hangs on stays, and the way out is said."""
    (piece,) = hands.db.execute("SELECT id FROM piece LIMIT 1").fetchone()
    hands.db.execute("UPDATE piece SET choice = '{\"n\": 99}' WHERE id = ?", [piece])
    answer = mended(hands, "piece", piece)
    assert answer.status == 409
    assert "put a backup back" in answer.content["error"]["message"]


WRITTEN_AS_JSON = (
    "film recipe camera lens pinhole filter meter line powder holder run outing scene reading"
    " exposure judgement film_test printing_paper enlarger print"
).split()


@pytest.mark.parametrize("table", WRITTEN_AS_JSON)
def test_no_bad_record_darkens_a_room(hands: Hands, table: str) -> None:
    """Whatever table it stands in, and whatever in it cannot be read: every question that needs
    nothing named answers."""
    assert spoil(hands, table)
    asked = [route.name for route in TABLE.values() if _plain(route)]
    assert len(asked) > 15
    for name in asked:
        assert hands.do(Request(name)).ok, name


def _plain(route: Route) -> bool:
    """A question for a whole room."""
    known = all(default is not Parameter.empty for _, default in route.in_query.values())
    asks = route.kind == "question" and route.method == "GET" and route.answers is not File
    return asks and not route.in_path and known


def spoil(hands: Hands, table: str, id_: str = "") -> bool:
    """Make JSON of a record, the first if none is named, what it never is; whether it has any."""
    rows = hands.db.execute(f"SELECT rowid, * FROM {table} ORDER BY rowid").fetchall()
    row = next((each for each in rows if not id_ or each["id"] == id_), None)
    written = [name for name in (row.keys() if row else ()) if str(row[name])[:1] in ("[", "{")]
    for name in written:
        value = '[{"nonsense": 1}]'
        hands.db.execute(f"UPDATE {table} SET {name} = ? WHERE rowid = ?", [value, row["rowid"]])
    return bool(written)


def mended(hands: Hands, table: str, id_: str) -> Answer:
    return hands.do(Request("unread.mend", {"table": table, "id": id_}))
