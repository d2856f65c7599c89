"""Carried along and handed in: done at home in its order, each once, and nothing lost."""

import json
import shutil
from collections.abc import Callable, Iterator
from itertools import islice
from pathlib import Path
from random import Random
from typing import Any

import pytest

from emulsa.api.routing import TABLE
from emulsa.store import carrying, laid_aside
from emulsa.store.folder import DATABASE
from tests.acts.conftest import Season
from tests.acts.doing import ACTS, Answer, Hands, Request, at_once
from tests.acts.test_order import pairs
from tests.acts.walk import DRAWN, Looking, Nothing
from tests.effort import MUCH

LONG = 40  # acts of a day out
PAIRS = 15 * MUCH
RIGHTED = {"aperture": "32", "time": 2, "n": 0}

Carry = Callable[[Hands], Hands]


@pytest.fixture
def carry(tmp_path: Path) -> Iterator[Carry]:
    """Take a copy of a log along."""
    out: list[Hands] = []

    def carried(home: Hands) -> Hands:
        folder = tmp_path / f"device-{len(out)}"
        folder.mkdir()
        made_at = home.moment()
        carrying.copy(home.house.database, folder / DATABASE, made_at, "0")
        hands = Hands(folder)
        hands.minute = home.minute + 100 * len(out)
        out.append(hands)
        return hands

    yield carried
    for each in out:
        each.close()


def acts_of(device: Hands) -> list[dict[str, Any]]:
    found: list[dict[str, Any]] = device.do(Request("carry.outgoing")).content
    assert carrying.waiting(device.db) == sum(not each["taken_back"] for each in found)
    return found


def hand_in(home: Hands, acts: list[dict[str, Any]], device: str = "Phone") -> list[dict[str, Any]]:
    body = {"device": device, "version": "0", "acts": acts}
    answer = home.do(Request("carry.hand_in_acts", body=body))
    assert answer.ok, answer.content
    found: list[dict[str, Any]] = answer.content["came"]
    return found


def told(came: list[dict[str, Any]]) -> list[str]:
    return [each["came"] for each in came]


def asides(home: Hands) -> list[dict[str, Any]]:
    found: list[dict[str, Any]] = home.do(Request("carry.asides")).content
    return found


def decide(home: Hands, id_: str, how: str, **otherwise: Any) -> Answer:
    return home.do(Request("carry.decide", {"id": id_}, body={"how": how, **otherwise}))


def unordered(hands: Hands) -> dict[str, Any]:
    return {
        table: sorted((row[1:] for row in rows), key=repr)
        for table, rows in hands.picture().items()
    }


@pytest.mark.parametrize("start", [0, 230, 420])
def test_a_day_out_comes_to_what_it_came_to_at_home(
    season: Season, begun: Hands, carry: Carry, start: int
) -> None:
    """So many acts done at home, the next done in a copy and handed in: every row, with its place,
    is what it was when all of them were done at home; sent again, nothing changes."""
    for each in season.done[:start]:
        assert begun.do(each.request, each.key, each.moment).ok
    out = carry(begun)
    day = []
    for each in season.done[start : start + LONG]:
        if TABLE[each.request.name].upload or each.request.file is not None:
            break  # pictures and files wait for home
        assert out.do(each.request, each.key, each.moment).ok
        day.append(each)
    assert day
    assert out.picture() == day[-1].after
    came = hand_in(begun, acts_of(out))
    assert [each for each in came if each["came"] != "done"] == []
    assert begun.picture() == day[-1].after
    assert set(told(hand_in(begun, acts_of(out)))) == {"known"}
    assert begun.picture() == day[-1].after
    kept = begun.db.execute("SELECT moment FROM act ORDER BY rowid DESC LIMIT 1").fetchone()
    assert kept["moment"] == acts_of(out)[-1]["moment"]


def test_half_at_home_half_away(season: Season, ended: Hands, carry: Carry, tmp_path: Path) -> None:
    """Acts of different things, one done at home and one away after the copy was taken, come to
    what both come to at home."""
    dice = Random(20_260_118)
    carried = (each for each in pairs(ended, dice) if each[1].file is None)
    chosen = list(islice(carried, PAIRS))
    for number, (one, other) in enumerate(chosen):
        folder = tmp_path / f"pair-{number}"
        shutil.copytree(season.ended, folder)
        home = Hands(folder)
        home.minute = 10_000
        out = carry(home)
        assert home.do(one, moment=home.moment()).ok
        assert out.do(other, moment=home.moment()).ok
        came_of = hand_in(home, acts_of(out))
        assert told(came_of) == ["done"], [each["problem"] for each in asides(home)]
        came = unordered(home)
        home.close()
        shutil.rmtree(folder)
        shutil.copytree(season.ended, folder)
        home = Hands(folder)
        home.minute = 10_000
        for each in (one, other):
            assert home.do(each, moment=home.moment()).ok
        assert unordered(home) == came, (one, other)
        home.close()
        shutil.rmtree(folder)


def test_interrupted_twenty_times(season: Season, begun: Hands, carry: Carry) -> None:
    """The way home breaks off anywhere, and everything is sent again: each is done once."""
    dice = Random(7)
    out, day = carry(begun), []
    for each in season.done[:LONG]:
        if each.request.file is None:
            assert out.do(each.request, each.key, each.moment).ok
            day.append(each)
        else:
            break
    acts = acts_of(out)
    for _ in range(20):
        hand_in(begun, acts[: dice.randint(0, len(acts))])
    hand_in(begun, acts)
    assert begun.picture() == day[-1].after
    ids = [each["id"] for each in acts]
    counted = begun.db.execute(
        f"SELECT count(*) FROM act WHERE id IN ({','.join('?' * len(ids))})", ids
    ).fetchone()[0]
    assert counted == len(ids)


def exposure(id_: str, side: str, note: str = "") -> Request:
    body = {"id": id_, "scene_id": "scene-winding-house", "piece_id": side, "note": note}
    return Request("exposures.log", body=body)


def clash(home: Hands, out: Hands) -> str:
    """The same side exposed at home and out there; its id."""
    assert home.do(exposure("at-home", "sheet-2A")).ok
    assert out.do(exposure("out-there", "sheet-2A"), key="their-act").ok
    assert out.do(
        Request("exposures.put_right", {"id": "out-there"}, body=RIGHTED),
        key="later",
    ).ok
    return "their-act"


def test_what_cannot_be_done_is_set_aside(begun: Hands, carry: Carry) -> None:
    """With its story and why; what hangs on it says so; other acts are done; sent again, it lies
    there once."""
    out = carry(begun)
    clash(begun, out)
    assert out.do(exposure("free", "sheet-2B"), key="free-act").ok
    before = begun.picture()["exposure"]
    came = hand_in(begun, acts_of(out))
    assert told(came) == ["aside", "aside", "done"]
    assert len(begun.picture()["exposure"]) == len(before) + 1
    hand_in(begun, acts_of(out))
    first, second = asides(begun)
    assert (first["id"], second["id"]) == ("their-act", "later")
    assert "2A" in first["label"]
    assert first["problem"]
    assert second["because"] == "their-act"
    assert first["device"] == "Phone"
    assert "2A" in first["here"][0]["label"]  # what home did to that sheet, the latest first


def test_decided_three_ways(begun: Hands, carry: Carry) -> None:
    """Done after all once it can be, kept as a note, dropped; a decision that cannot be carried out
    leaves it lying there with the new reason."""
    out = carry(begun)
    clash(begun, out)
    hand_in(begun, acts_of(out))
    refused = decide(begun, "their-act", "again")
    assert [each["fate"] for each in refused.content] == ["", ""]
    assert begun.undo().ok  # the exposure at home was the mistake
    assert decide(begun, "their-act", "again").ok
    assert [each["id"] for each in asides(begun)] == ["later"]
    kept = begun.db.execute("SELECT count(*) FROM exposure WHERE id = 'out-there'").fetchone()
    assert kept[0] == 1
    assert decide(begun, "later", "note").content[0]["fate"] == "note"
    assert begun.do(Request("carry.read")).content["undecided"] == 0
    assert decide(begun, "later", "drop").content == []
    assert laid_aside.aside(begun.db, "later") is not None  # kept all the same
    assert decide(begun, "unknown", "drop").status == 404


@pytest.mark.parametrize(
    ("otherwise", "where", "others"),
    [
        ({"piece_id": "sheet-2B"}, "2B", 0),
        ({"unplaced": True}, "no holder", 0),
        ({"happened": True}, "2A", 1),
    ],
)
def test_an_exposure_is_logged_otherwise(
    begun: Hands, carry: Carry, otherwise: dict[str, Any], where: str, others: int
) -> None:
    """It was another side, or film nobody put into a holder, or the sheet was exposed twice: logged
    as that, at its moment, and what hung on it can be done then."""
    out = carry(begun)
    clash(begun, out)
    hand_in(begun, acts_of(out))
    assert decide(begun, "their-act", "again", **otherwise).ok
    assert [each["id"] for each in asides(begun)] == ["later"]
    story = begun.do(Request("log.story", {"id": "out-there"})).content
    assert (story["exposure"]["where"], len(story["shares"])) == (where, others)
    assert decide(begun, "later", "again").ok
    assert asides(begun) == []


def test_what_was_given_there_is_given_here(begun: Hands, carry: Carry) -> None:
    """The scene was metered again at home, or home has another version of the rules: what was
    worked out and given on the hill stays what it was, also when it lay aside first."""
    out = carry(begun)
    assert out.do(exposure("hill", "sheet-2B"), key="first").ok
    assert out.do(exposure("lay", "sheet-2A"), key="second").ok
    there = out.do(Request("log.story", {"id": "hill"})).content["exposure"]["seconds"]
    scene = begun.do(Request("scenes.read", {"id": "scene-winding-house"})).content["scene"]
    for each in scene["readings"]:
        each["reading"]["ev"] -= 2
    changed = begun.based(Request("scenes.put", {"id": scene["id"]}, body=scene))
    assert begun.do(changed).ok
    assert begun.do(exposure("at-home", "sheet-2A")).ok
    here = begun.do(Request("log.story", {"id": "at-home"})).content["exposure"]["seconds"]
    assert here > 3 * there
    assert told(hand_in(begun, acts_of(out))) == ["done", "aside"]
    assert decide(begun, "second", "again", happened=True).ok
    for id_ in ("hill", "lay"):
        found = begun.do(Request("log.story", {"id": id_})).content["exposure"]
        assert found["seconds"] == pytest.approx(there)


@pytest.mark.parametrize("answer", ["[]", "7", '{"seconds": null}', "[1, 2, 3]"])
def test_an_answer_that_is_none(begun: Hands, carry: Carry, answer: str) -> None:
    """What was asked is done as if there were none: no frame is lost to it."""
    out = carry(begun)
    frames = [
        {"id": f"frame-{side}", "scene_id": "scene-winding-house", "piece_id": f"sheet-{side}"}
        | {"bracket_stops": stops}
        for side, stops in (("2A", -1), ("2B", 0), ("4B", 1))
    ]
    assert out.do(Request("exposures.log_bracket", body={"id": "b", "frames": frames})).ok
    before = len(begun.picture()["exposure"])
    handed = [{**each, "answer": answer} for each in acts_of(out)]
    assert told(hand_in(begun, handed)) == ["done"]
    assert len(begun.picture()["exposure"]) == before + 3


def test_only_an_exposure_goes_onto_other_film(begun: Hands, carry: Carry) -> None:
    """Anything else is said to be none, and lies there as before."""
    out = carry(begun)
    clash(begun, out)
    hand_in(begun, acts_of(out))
    refused = decide(begun, "later", "again", piece_id="sheet-2B")
    assert (refused.status, refused.content["error"]["field"]) == (409, "piece_id")
    may = {each["id"]: each["other_film"] for each in asides(begun)}
    assert may == {"their-act": True, "later": False}


def test_a_version_that_went_on_is_decided_not_overwritten(begun: Hands, carry: Carry) -> None:
    """The same record changed on both sides: set aside; *do it here now* takes it over what is
    kept."""
    out = carry(begun)

    def camera(note: str) -> Request:
        row = begun.do(Request("kit.read")).content["cameras"][0]
        return Request("kit.put_camera", {"id": row["id"]}, body={**row, "note": note})

    theirs = out.based(camera("from the hill"))
    assert begun.do(camera("from home")).ok
    assert out.do(theirs, key="hill").ok
    assert told(hand_in(begun, acts_of(out))) == ["aside"]
    assert begun.do(Request("kit.read")).content["cameras"][0]["note"] == "from home"
    assert decide(begun, "hill", "again").ok
    assert asides(begun) == []
    assert begun.do(Request("kit.read")).content["cameras"][0]["note"] == "from the hill"


def roll(id_: str) -> Request:
    return Request(
        "rolls.load", body={"id": id_, "film_id": "film-ostrel", "format": "120", "frame": "6x6"}
    )


def test_taken_back_out_there_was_never_done(begun: Hands, carry: Carry) -> None:
    """What was undone in the copy is not done at home; undoing what was done at home is an act."""
    assert begun.do(exposure("before", "sheet-2B")).ok
    out = carry(begun)
    before = begun.picture()
    assert out.do(exposure("mistake", "sheet-2A")).ok
    assert out.undo().ok
    assert told(hand_in(begun, acts_of(out))) == ["taken back"]
    assert begun.picture() == before
    assert out.undo().ok  # the exposure from home
    assert told(hand_in(begun, acts_of(out)))[-1] == "done"
    assert begun.picture() == out.picture()


def test_taken_back_after_it_arrived(begun: Hands, carry: Carry) -> None:
    """Handed in, and undone on the device before a new copy was taken: home keeps it, says so once,
    and does not do it a second time."""
    out = carry(begun)
    assert out.do(exposure("late", "sheet-2A"), key="late-act").ok
    assert told(hand_in(begun, acts_of(out))) == ["done"]
    assert out.undo().ok
    kept = begun.picture()
    for _ in range(2):
        assert told(hand_in(begun, acts_of(out))) == ["aside"]
    assert [each["id"] for each in asides(begun)] == ["late-act"]
    assert "undo it here" in decide(begun, "late-act", "again").content[0]["problem"]
    assert begun.picture() == kept
    assert decide(begun, "late-act", "drop").ok


def test_two_devices(begun: Hands, carry: Carry) -> None:
    """Both hand in; what the second did to the same side lies aside under its own name."""
    one, two = carry(begun), carry(begun)
    assert one.do(exposure("one", "sheet-2A")).ok
    assert two.do(exposure("two", "sheet-2A")).ok
    assert two.do(exposure("three", "sheet-2B")).ok
    assert told(hand_in(begun, acts_of(one), "Phone")) == ["done"]
    assert told(hand_in(begun, acts_of(two), "Tablet")) == ["aside", "done"]
    assert [each["device"] for each in asides(begun)] == ["Tablet"]


def test_only_home_takes_acts_in(begun: Hands, carry: Carry) -> None:
    """A copy refuses; an act nobody knows and files are set aside, never guessed at."""
    out = carry(begun)
    body = {"device": "Phone", "version": "0", "acts": []}
    assert out.do(Request("carry.hand_in_acts", body=body)).status == 409
    act = handed(begun, "x", "no.such", {"path": {}, "query": {}, "body": None})
    assert told(hand_in(begun, [act])) == ["aside"]
    act |= {"id": "y", "name": "attachments.attach"}
    assert told(hand_in(begun, [act])) == ["aside"]
    assert all("knows no such act" in each["problem"] for each in asides(begun))


def handed(home: Hands, id_: str, name: str, request: Any, **more: Any) -> dict[str, Any]:
    """An act as a device tells it."""
    text = request if isinstance(request, str) else json.dumps(request)
    return {"id": id_, "moment": home.moment(), "name": name, "request": text, **more}


def pack(home: Hands, id_: str, what: str) -> dict[str, Any]:
    """A sound act: something is packed for the outing."""
    request = {
        "path": {"id": "outing-quarry"},
        "query": {},
        "body": {"put_in": [f"always:{what}"]},
    }
    return handed(home, id_, "outings.pack", request)


ODD = {
    "no request": {"request": "{}"},
    "no JSON": {"request": "not JSON"},
    "nothing in its path": {"request": json.dumps({"path": {}, "query": {}, "body": {}})},
    "no moment": {"moment": "yesterday"},
    "half a character": {"id": "half-\ud800"},
    "a slash": {"id": "a/b"},
    "no name": {"name": ""},
    "too large": {"request": json.dumps({"path": {}, "query": {}, "body": "x" * 1_200_001})},
    "an answer that is none": {
        "name": "exposures.log",
        "request": json.dumps({"path": {"id": "scene-pool"}, "query": {}, "body": {"id": "e"}}),
        "answer": "{",
    },
    "words for a body": {
        "request": json.dumps({"path": {"id": "outing-quarry"}, "query": {}, "body": "x"})
    },
    "a file brought in": {"name": "exchange.read_csv", "request": json.dumps({"id": "f"})},
    "an archive brought in": {
        "name": "exchange.merge_archive", "request": json.dumps({"bytes": 1})
    },
}  # fmt: skip


@pytest.mark.parametrize("odd", ODD)
def test_no_act_stops_the_others(begun: Hands, odd: str) -> None:
    """What cannot be read, is malformed, too large or came from a file lies aside with its reason;
    what was done before and after it is done; handed in again nothing changes, and deciding about
    it answers."""
    one, other = pack(begun, "one", "Tape measure"), pack(begun, "other", "Cable release")
    bad = {**handed(begun, "bad", "outings.pack", "{}"), **ODD[odd]}
    came = hand_in(begun, [one, bad, other])
    assert told(came) == ["done", "aside", "done"]
    assert came[1]["problem"]
    (lies,) = asides(begun)
    assert lies["problem"] == came[1]["problem"]
    if "brought in" in odd:
        assert "bring the file in here" in lies["problem"]
    assert told(hand_in(begun, [one, bad, other])) == ["known", "aside", "known"]
    again = decide(begun, lies["id"], "again")
    assert again.ok
    assert again.content[0]["problem"]
    assert decide(begun, lies["id"], "note").content[0]["fate"] == "note"


def test_an_id_that_was_used_for_something_else(begun: Hands) -> None:
    """It is not taken for done: it lies aside under an id of its own, and what stands under its id
    stays."""
    assert told(hand_in(begun, [pack(begun, "same", "Tape measure")])) == ["done"]
    came = hand_in(
        begun,
        [pack(begun, "same", "Dark cloth and loupe"), pack(begun, "after", "Dark cloth and loupe")],
    )
    assert told(came) == ["aside", "done"]
    assert came[0]["id"] != "same"
    assert "under its id" in came[0]["problem"]


def test_what_hangs_on_a_run_that_was_not_begun(begun: Hands, carry: Carry) -> None:
    """A run is begun out there with a sheet that home develops meanwhile: what was done to it hangs
    on it, though no request of it names the run as its own."""
    out = carry(begun)
    run = {"id": "run-out", "name": "Out", "recipe_id": "recipe-corvane-mq", "minutes": 8}
    begin = {"run": run, "piece_ids": ["sheet-1A"]}
    assert begun.do(Request("runs.begin", body={**begin, "run": {**run, "id": "home"}})).ok
    assert out.do(Request("runs.begin", body=begin), key="begin-out").ok
    assert out.do(Request("runs.developed", {"id": "run-out"}), key="developed-out").ok
    acts = acts_of(out)
    assert "run-out" in acts[0]["made"]
    assert told(hand_in(begun, acts)) == ["aside", "aside"]
    assert [(each["id"], each["because"]) for each in asides(begun)] == [
        ("begin-out", ""),
        ("developed-out", "begin-out"),
    ]


def test_it_happened_by_a_clock_that_ran_ahead(begun: Hands) -> None:
    """Days ahead it is set aside; *do it here now* does it now."""
    ahead = {**pack(begun, "ahead", "Dark cloth and loupe"), "moment": "2099-01-17T10:00:00.000Z"}
    assert told(hand_in(begun, [ahead])) == ["aside"]
    assert "future" in asides(begun)[0]["problem"]
    assert decide(begun, "ahead", "again").ok
    assert asides(begun) == []
    moment = begun.db.execute("SELECT moment FROM act WHERE id = 'ahead'").fetchone()[0]
    assert moment < "2099"
    early = {**pack(begun, "early", "Cable release"), "moment": "1931-01-17T10:00:00.000Z"}
    assert told(hand_in(begun, [early])) == ["aside"]
    assert "before 1970" in asides(begun)[0]["problem"]


def worded(hands: Hands, note: str, key: str) -> None:
    """The outing's note, as it is written over."""
    outing = {"id": "outing-quarry", "title": "Quarry", "day": "2026-01-17", "note": note}
    assert hands.do(
        hands.based(Request("outings.put", {"id": "outing-quarry"}, body=outing)), key
    ).ok


def test_put_back_means_what_it_meant(begun: Hands, carry: Carry) -> None:
    """Three notes out there, put back to the first; home did other acts meanwhile, so that its own
    numbers say something else. Put back to what was not done here, it lies aside."""
    out = carry(begun)
    for number, note in enumerate(("first", "second", "third")):
        worded(out, note, f"note-{number}")
    action = out.db.execute("SELECT action_id FROM act WHERE id = 'note-1'").fetchone()[0]
    back = Request("history.restore", {"id": "outing-quarry"}, body={"action_id": action})
    assert out.do(back, "back").ok
    for number in range(3):
        film = {"id": f"meter-{number}", "name": f"Meter {number}"}
        assert begun.do(Request("kit.put_meter", {"id": film["id"]}, body=film)).ok
    acts = acts_of(out)
    assert set(told(hand_in(begun, acts))) == {"done"}
    note = begun.db.execute("SELECT note FROM outing WHERE id = 'outing-quarry'").fetchone()[0]
    assert note == "first"
    nowhere = {**acts[-1], "id": "nowhere"}
    nowhere["request"] = acts[-1]["request"].replace("note-1", "never-done")
    assert told(hand_in(begun, [nowhere])) == ["aside"]


def test_printed_again_is_the_print_it_was(begun: Hands, carry: Carry) -> None:
    """A strip says 6 s, print 5; a strip says 15 s, print 6; print 5 again: 6 s. At home a print 5
    was kept meanwhile, of another plan."""
    out = carry(begun)
    id_ = begun.db.execute("SELECT id FROM print").fetchone()[0]
    read = Request("prints.read_print", {"id": id_})

    def of(hands: Hands) -> dict[str, Any]:
        found: dict[str, Any] = hands.do(read).content
        return found

    part = of(out)["print"]["plan"]["parts"][0]["id"]

    def strip(step: int) -> None:
        body = {
            "id": f"strip-{step}",
            "part_id": part,
            "strip": {"kind": "linear", "step_s": step, "strips": 5, "chosen": 3},
        }
        assert out.do(Request("prints.keep_strip", {"id": id_}, body=body), f"strip-{step}").ok

    def made(hands: Hands, says: str) -> None:
        body = {"id": says[:5], "says": says, "plan": of(hands)["print"]["plan"]}
        assert hands.do(Request("prints.made", {"id": id_}, body=body), says).ok

    made(begun, "home's own")
    out.minute += 30
    strip(2)
    made(out, "six")
    strip(5)
    made(out, "fifteen")
    again = Request("prints.print_again", {"id": id_}, body={"id": "six"})
    assert out.do(again, "again").ok
    assert set(told(hand_in(begun, acts_of(out)))) == {"done"}
    tries = of(begun)["tries"][-3:]
    assert [each["notes"]["says"] for each in tries] == ["home's own", "six", "fifteen"]
    assert len({each["number"] for each in tries}) == 3
    base = [hands["print"]["plan"]["parts"][0]["seconds"] for hands in (of(out), of(begun))]
    assert base == [6, 6]
    # sent again when the print is gone out there: known all the same
    before = len(acts_of(out))
    assert out.do(Request("prints.delete", {"id": id_})).ok
    assert set(told(hand_in(begun, acts_of(out)[:before]))) == {"known"}


def test_a_tests_frames_come_home_as_they_were_given(begun: Hands, carry: Carry) -> None:
    """The lens's shutter is measured at home meanwhile: what was given out there stays."""
    out = carry(begun)
    test = {
        "id": "test-out",
        "title": "Out",
        "film_id": "film-corvane",
        "recipe_id": "recipe-corvane-mq",
    }
    for hands in (begun, out):
        assert hands.do(hands.based(Request("bench.put", {"id": "test-out"}, body=test)), "t").ok
    asked = {
        "bracket_id": "strip-out",
        "lens_id": "lens-150",
        "ev": 13,
        "ei": 100,
        "first_stops": -1,
        "minutes": 9,
        "piece_ids": ["sheet-2A", "sheet-2B"],
    }
    assert out.do(Request("strips.expose", {"id": "test-out"}, body=asked), "strip").ok
    marks = [
        {"mark": "1/60", "seconds": [0.0300, 0.0305]},
        {"mark": "1/30", "seconds": [0.05, 0.05]},
    ]
    slow = Request("checks.use_shutter", body={"lens_id": "lens-150", "marks": marks})
    assert begun.do(slow).ok
    given = [(each["aperture"], each["seconds"]) for each in logged_frames(out)]
    assert set(told(hand_in(begun, acts_of(out)))) <= {"done", "known"}
    assert [(each["aperture"], each["seconds"]) for each in logged_frames(begun)] == given


def logged_frames(hands: Hands) -> list[dict[str, Any]]:
    rows = hands.db.execute(
        "SELECT aperture, seconds FROM exposure WHERE bracket_id = 'strip-out' ORDER BY id"
    )
    return [dict(row) for row in rows]


def test_an_older_word_does_not_cover_a_newer(begun: Hands, carry: Carry) -> None:
    """Decided for 7 min out there, later for 11 min at home: 11 stands and both are told; doing it
    here now makes it 7. Said before anything was said at home, it is done."""
    out = carry(begun)

    def decided(hands: Hands, minutes: float, key: str, piece: str) -> None:
        choice = {"recipe_id": "recipe-corvane-mq", "minutes": minutes, "reason": "tried"}
        body = {"piece_ids": [piece], "choice": choice}
        assert hands.do(Request("darkroom.decide_over", body=body), key).ok

    def minutes(piece: str) -> float:
        row = begun.db.execute(
            "SELECT json_extract(choice, '$.minutes') FROM piece WHERE id = ?", [piece]
        ).fetchone()
        return float(row[0])

    decided(out, 7, "away", "sheet-1A")
    decided(out, 6, "away-alone", "sheet-1B")
    begun.minute = out.minute + 60
    decided(begun, 11, "home", "sheet-1A")
    assert told(hand_in(begun, acts_of(out))) == ["aside", "done"]
    assert (minutes("sheet-1A"), minutes("sheet-1B")) == (11, 6)
    (lies,) = asides(begun)
    assert "decided here later" in lies["problem"]
    assert decide(begun, "away", "again").ok
    assert minutes("sheet-1A") == 7


def compared(hands: Hands, other_ev: float) -> Request:
    """Two meters compared, on the version the other has now."""
    pairs = [{"trusted_ev": 9, "other_ev": other_ev}]
    body = {"trusted_id": "meter-spot", "other_id": "meter-spot", "pairs": pairs}
    return hands.based(Request("checks.use_meters", body=body))


def offset(hands: Hands) -> float:
    sql = "SELECT json_extract(calibration, '$.offset_stops') FROM meter WHERE id = 'meter-spot'"
    return float(hands.db.execute(sql).fetchone()[0])


def test_four_hands_that_use_one_check_add_it_once(begun: Hands) -> None:
    """It was worked out on one version of the meter; who comes later is told."""
    before, request = offset(begun), compared(begun, 8.8)
    answers = at_once(*(lambda: begun.do(request) for _ in range(4)))
    assert sorted(each.status for each in answers) == [200, 409, 409, 409]
    told_ = next(each for each in answers if not each.ok).content["error"]
    assert told_["code"] == "conflict"
    assert told_["stored"]["calibration"]["offset_stops"] == pytest.approx(before + 0.2)
    assert offset(begun) == pytest.approx(before + 0.2)


def test_a_check_used_out_there_of_a_meter_home_corrected(begun: Hands, carry: Carry) -> None:
    """It lies aside; done here now, it is added to what stands."""
    before, out = offset(begun), carry(begun)
    assert out.do(compared(out, 8.8), key="out-there").ok
    assert begun.do(compared(begun, 8.9)).ok
    assert told(hand_in(begun, acts_of(out))) == ["aside"]
    assert offset(begun) == pytest.approx(before + 0.1)
    assert decide(begun, "out-there", "again").ok
    assert asides(begun) == []
    assert offset(begun) == pytest.approx(before + 0.3)


def test_what_is_worked_out_comes_to_the_same_or_lies_aside(begun: Hands, carry: Carry) -> None:
    """Tested times are used out there; at home the test was read anew meanwhile: its times would
    be others than the photographer saw."""
    out = carry(begun)
    times = begun.based(Request("bench.use_times", {"id": "test-corvane"}))
    assert out.do(times, key="times").ok
    recipe = begun.picture()["recipe"]
    test = begun.do(Request("bench.read_test", {"id": "test-corvane"})).content["test"]
    for each in test["curves"]:
        each["minutes"] *= 1.2
    assert begun.do(Request("bench.put", {"id": "test-corvane"}, body=test)).ok
    (came,) = hand_in(begun, acts_of(out))
    assert came["came"] == "aside"
    assert "comes to something else than out there" in came["problem"]
    assert begun.picture()["recipe"] == recipe
    assert decide(begun, "times", "again").ok
    assert begun.picture()["recipe"] != recipe


def test_what_is_worked_out_alike_is_done(begun: Hands, carry: Carry) -> None:
    """The same recipe and the same test: the same times, kept."""
    out = carry(begun)
    assert out.do(Request("bench.use_times", {"id": "test-corvane"})).ok
    assert told(hand_in(begun, acts_of(out))) == ["done"]
    assert begun.picture()["recipe"] == out.picture()["recipe"]


# numbers and names that give way to what home has by then; a skip goes on from where home's roll is
GIVES_WAY = {"rowid", "number", "label", "title", "next_frame", "frame"}


def wrote(hands: Hands, act_id: str) -> dict[tuple[str, str], tuple[Any, Any]]:
    """What an act made of each row: as it was before, and after it."""
    found: dict[tuple[str, str], tuple[Any, Any]] = {}
    for row in hands.db.execute(
        "SELECT table_name, before, after FROM change"
        " WHERE action_id = (SELECT action_id FROM act WHERE id = ?) ORDER BY id",
        [act_id],
    ):
        before, after = (json.loads(each) if each else None for each in (row[1], row[2]))
        named = [(after or before).get(each) for each in ("id", "scene_id", "position")]
        key = (row["table_name"], json.dumps(named))
        found[key] = (found[key][0] if key in found else before, after)
    return found


def otherwise(out: Hands, home: Hands, act_id: str) -> list[Any]:
    """What an act came to at home that it did not come to out there."""
    here, found = wrote(home, act_id), list[Any]()
    for key, (before, after) in wrote(out, act_id).items():
        if after is None:
            found += [] if here.get(key, (None, None))[1] is None else [(key, "is there")]
            continue
        now = here[key][1] if key in here else _row(home, key)
        told_ = {each for each in after if before is None or before.get(each) != after[each]}
        found += [
            (key, each, after[each], now and now[each])
            for each in told_ - GIVES_WAY
            if now is None or _called(home, each, now[each]) != _called(out, each, after[each])
        ]
    return found


def _called(hands: Hands, column: str, value: Any) -> Any:
    """A value as it is compared: film that was typed is known by its name, under whatever id."""
    if column != "film_id":
        return value
    film = hands.db.execute("SELECT name FROM film WHERE id = ?", [value]).fetchone()
    return film[0] if film else value


def _row(hands: Hands, key: tuple[str, str]) -> dict[str, Any] | None:
    """A row as it stands, by the names the journal knows it by."""
    table, named = key[0], json.loads(key[1])
    columns = [row["name"] for row in hands.db.execute(f"PRAGMA table_info({table})")]
    for row in hands.db.execute(f"SELECT * FROM {table}"):
        if [row[each] if each in columns else None for each in KEYS] == named:
            return dict(row)
    return None


KEYS = ("id", "scene_id", "position")
CLASHES = 26 * MUCH


def test_home_tells_the_same_or_it_lies_aside(season: Season, tmp_path: Path) -> None:
    """Any act at home and any act away, mostly of one kind, after a copy was taken: what was done
    away comes to what it came to there, column by column, or lies aside and changes nothing; never
    a third thing."""
    dice, came, clashing = Random(7 + MUCH), set[str](), 0
    base = Hands(season.ended)
    for number in range(CLASHES):
        look = Looking(base, dice, made=1_000_000 * (number + 1))
        here, away = _drawn(look), _drawn(look, same=dice.random() < 0.8)
        if away.file is not None:
            continue
        folder, device = tmp_path / f"home-{number}", tmp_path / f"out-{number}"
        shutil.copytree(season.ended, folder)
        device.mkdir()
        home = Hands(folder)
        home.minute = 5_000
        carrying.copy(home.house.database, device / DATABASE, home.moment(), "0")
        out = Hands(device)
        out.minute = home.minute
        if out.do(away, key="away").ok:
            home.minute += 10
            clashing += home.do(here).ok
            kept = home.picture()
            for told_ in hand_in(home, acts_of(out)):
                came.add(told_["came"])
                if told_["came"] == "done":
                    assert otherwise(out, home, "away") == [], (here, away)
                else:
                    assert home.picture() == kept, (here, away)
        for hands in (home, out):
            hands.close()
        shutil.rmtree(folder)
        shutil.rmtree(device)
    base.close()
    assert clashing > CLASHES / 3
    assert came == {"done", "aside"}


LAST: list[str] = []


def _drawn(look: Looking, same: bool = False) -> Request:
    """A request of any kind, or of the kind that was drawn before it."""
    while True:
        name = LAST[-1] if same and LAST else look.dice.choice(ACTS)
        try:
            request = DRAWN[name](look)
        except Nothing:
            same = False
            continue
        LAST.append(name)
        return request
