"""From the developed negative to a print that can be made again."""

import io
import json
from contextlib import closing
from pathlib import Path
from random import Random
from typing import Any

from pypdf import PdfReader

from emulsa.store import database
from emulsa.store.folder import DATABASE
from tests.effort import some
from tests.path.hand import Hand

PAPER = {
    "id": "paper",
    "name": "Fibre",
    "filters": [
        {"label": "Soft filter", "range": 1.5, "speed": 200},
        {"label": "Hard filter", "range": 0.6, "speed": 100},
    ],
    "drying_down": 0.1,
}


def negative(hand: Hand) -> Any:
    """A judged sheet, ready to print."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}], "developer": "Own"})
    hand.scene(
        readings=[
            {"id": "rock", "label": "rock", "reading": {"kind": "ev", "ev": 9.0}},
            {"id": "snow", "label": "snow", "reading": {"kind": "ev", "ev": 13.5}},
        ],
        pin={"reading": "rock", "zone": 3},
        aperture="22",
    )
    piece = hand.sheet()
    hand.expose(piece)
    assert hand.get("/api/prints")["negatives"] == []
    run = hand.run(hand.group(), 8)
    hand.post(f"/api/darkroom/runs/{run}/developed")
    judged = {"id": piece, "shadow": "full", "highlight": "full", "base_fog": 0.2}
    measured = [{"reading_id": "rock", "density": 0.5}, {"reading_id": "snow", "density": 1.5}]
    hand.put(f"/api/darkroom/judgements/{piece}?base=", judged | {"measured": measured})
    (found,) = hand.get("/api/prints")["negatives"]
    return found


def test_from_the_negative_to_a_print_made_again(hand: Hand) -> None:
    """Densities come along from judging; a strip gives the base time; areas, a try, another size;
    the first print's plan is made again, and undo takes each step back."""
    found = negative(hand)
    assert (found["low"], found["high"], found["base_fog"]) == (0.5, 1.5, 0.2)
    hand.put("/api/kit/papers/paper?base=", PAPER)
    plan: Any = {
        "paper_id": "paper",
        "setting": {"aperture": "16", "magnification": 2, "paper_speed": 200, "base_fog": 0.2},
        "parts": [
            {"id": "soft", "label": "Soft filter", "seconds": 10},
            {"id": "hard", "label": "Hard filter", "seconds": 8},
        ],
        "drying_down": 0.1,
    }
    body = {"id": "p", "exposure_id": found["exposure_id"], "title": "Rock", "plan": plan}
    body |= {"low": 0.5, "high": 1.5, "base_fog": 0.2}

    def done(method: str, address: str, asked: Any) -> Any:
        """What an act came to, as it is read afterwards."""
        kept = getattr(hand, method)(address, asked)
        view = hand.get("/api/prints/p")
        assert kept["version"] in (view["version"], *(each["version"] for each in view["tries"]))
        return view

    view = done("put", "/api/prints/p?base=", body)
    assert view["worked"]["grade_text"].startswith("Its densities ask for Hard filter")
    strip = {"kind": "linear", "step_s": 3, "strips": 5, "chosen": 4}
    view = done("post", "/api/prints/p/strips", {"id": "s", "part_id": "soft", "strip": strip})
    assert [each["seconds"] for each in view["print"]["plan"]["parts"]] == [12, 8]
    assert view["worked"]["rows"][0]["seconds"] == 12 * 0.9
    assert [each["says"] for each in view["strips"]] == [
        "Soft filter: 5 strips of 3 s; strip 4 chosen"
    ]
    shape = {"kind": "circle", "points": [{"x": 0.5, "y": 0.5}, {"x": 0.6, "y": 0.5}]}
    area = {"id": "a", "label": "Sky", "act": "burn", "part": "hard", "stops": 1, "shape": shape}
    print_ = view["print"]
    print_["plan"]["areas"] = [area]
    view = done("put", f"/api/prints/p?base={view['version']}", print_)
    assert view["worked"]["burned_text"] == "+ 7.2 s burned"
    assert view["print"]["plan"]["areas"][0]["shape"]["points"] == shape["points"]
    tables = hand.post("/api/prints/preview", view["print"])
    assert tables["areas"][0]["greys"][120] < tables["base"][120]
    made = {"says": "good", "next_time": "larger", "plan": view["print"]["plan"]}
    view = done("post", "/api/prints/p/tries", made)
    (tried,) = view["tries"]
    assert (tried["number"], tried["notes"]["says"]) == (1, "good")
    assert tried["notes"]["next_time"] == "larger"
    noted = {**tried["notes"], "hangs": "hallway"}
    at = f"/api/prints/p/tries/{tried['id']}?base={tried['version']}"
    (tried,) = done("put", at, noted)["tries"]
    assert tried["notes"]["hangs"] == "hallway"
    stale = hand.client.put(at, json={**noted, "says": "other"}).json()["error"]
    assert (stale["code"], stale["version"]) == ("conflict", tried["version"])
    setting = {**plan["setting"], "magnification": 5}
    asked = {"print": view["print"], "wanted": {"setting": setting}}
    seen = hand.post("/api/prints/rework", asked)
    assert hand.get("/api/prints/p")["print"] == view["print"]  # asked, not done
    view = done("post", "/api/prints/p/rework", {"setting": setting})
    assert view["print"]["plan"] == seen["print"]["plan"]
    assert view["print"]["plan"]["parts"][0]["seconds"] == 12 * 4
    assert view["worked"]["changed"][0] == "Soft filter 48 s, was 12 s"
    hand.post("/api/undo")
    assert hand.get("/api/prints/p")["print"]["plan"]["parts"][0]["seconds"] == 12
    hand.post("/api/redo")
    view = done("post", "/api/prints/p/again", {"id": tried["id"]})
    assert view["print"]["plan"]["parts"][0]["seconds"] == 12
    assert view["print"]["plan"]["areas"][0]["shape"]["points"] == shape["points"]
    assert view["worked"]["changed"] == []
    page = hand.client.get("/api/prints/p/map.pdf").content
    text = PdfReader(io.BytesIO(page)).pages[0].extract_text()
    for word in ("Rock", "Sky burned 1 stop", "Hard filter", "Print 1", "good"):
        assert word in text
    rows = hand.client.get("/api/prints/p/map.csv").text.splitlines()
    assert rows[1].startswith("Soft filter,base,10.8")
    changed = hand.get("/api/prints/p")
    part = {**changed["print"]["plan"]["parts"][0], "label": "+2+3"}
    area = {**changed["print"]["plan"]["areas"][0], "label": "=1+1", "act": "dodge"}
    plan = {**changed["print"]["plan"], "parts": [part], "areas": [{**area, "part": part["id"]}]}
    hand.put(f"/api/prints/p?base={changed['version']}", {**changed["print"], "plan": plan})
    cells = hand.client.get("/api/prints/p/map.csv").text.splitlines()
    assert cells[1].startswith("'+2+3,base")  # no cell is a formula
    assert any(each.startswith("'=1+1,dodge") for each in cells)
    hand.post("/api/undo")
    (line,) = hand.get("/api/prints")["prints"]
    assert (line["tries"], line["final"]) == (1, False)


def test_no_print_takes_what_is_anothers(hand: Hand) -> None:
    """A strip and a print that were kept keep their ids: neither is written over by another's."""
    found = negative(hand)
    for each in ("p", "q"):
        body = {"id": each, "exposure_id": found["exposure_id"], "title": each}
        hand.put(f"/api/prints/{each}?base=", body)
    strip = {"id": "s", "part_id": "base", "strip": {"kind": "linear", "step_s": 3, "strips": 5}}
    made = {"id": "t", "says": "first"}
    hand.post("/api/prints/p/strips", strip)
    hand.post("/api/prints/p/tries", made)
    for address, asked in (("strips", strip), ("tries", {**made, "says": "other"})):
        refused = hand.client.post(f"/api/prints/q/{address}", json=asked)
        assert refused.status_code == 409, refused.text
    kept = hand.get("/api/prints/p")
    assert [each["id"] for each in kept["strips"]] == ["s"]
    assert [each["notes"]["says"] for each in kept["tries"]] == ["first"]
    assert hand.get("/api/prints/q")["tries"] == []


def test_what_prints_hang_on_is_not_deleted(hand: Hand) -> None:
    """A paper in a plan stays; a print of no negative is refused; a conflict is told."""
    found = negative(hand)
    hand.put("/api/kit/papers/paper?base=", PAPER)
    body: Any = {"id": "p", "exposure_id": found["exposure_id"], "title": "Rock"}
    body["plan"] = {"paper_id": "paper"}
    hand.put("/api/prints/p?base=", body)
    assert hand.client.delete("/api/kit/papers/paper").status_code == 409
    lost = hand.client.put("/api/prints/q?base=", json={**body, "id": "q", "exposure_id": "none"})
    assert lost.json()["error"]["field"] == "exposure_id"
    stale = hand.client.put("/api/prints/p?base=", json={**body, "title": "Other"})
    assert stale.json()["error"]["code"] == "conflict"
    (kept,) = hand.get("/api/prints")["prints"]
    assert kept["title"] == "Rock"
    hand.client.delete("/api/prints/p")
    assert hand.client.delete("/api/kit/papers/paper").status_code == 200


TRIES = some(8, 20)  # at home, and as many away


def test_many_tries_of_a_drawn_plan_stay_small(hand: Hand, tmp_path: Path) -> None:
    """Forty areas of forty points, tried again and again with one of them drawn anew: a shape is
    kept once, no act keeps its answer whole, and a device hands all of it in."""
    dice = Random(3)

    def outline() -> dict[str, Any]:
        points = [{"x": dice.random(), "y": dice.random()} for _ in range(40)]
        return {"kind": "outline", "points": points, "feather": 0.04}

    found = negative(hand)
    area = {"act": "burn", "part": "base", "stops": 0.5}
    areas = [
        {"id": f"a{each}", "label": f"Area {each}", **area, "shape": outline()}
        for each in range(40)
    ]
    plan: Any = {"parts": [{"id": "base", "label": "no filter", "seconds": 10}], "areas": areas}
    body = {"id": "p", "exposure_id": found["exposure_id"], "title": "Rock", "plan": plan}
    version = hand.put("/api/prints/p?base=", body)["version"]
    before = _bytes(tmp_path)
    acts = []
    for number in range(TRIES):
        areas[number]["shape"] = outline()
        version = hand.put(f"/api/prints/p?base={version}", body)["version"]
        made = {"id": f"t{number}", "says": f"try {number}", "plan": plan}
        hand.post("/api/prints/p/tries", made)
        asked = {"path": {"id": "p"}, "query": {}, "body": {**made, "id": f"away-{number}"}}
        act = {"id": f"act-{number}", "name": "prints.made", "request": json.dumps(asked)}
        acts.append({**act, "moment": "2026-02-01T10:00:00.000Z"})
    assert _bytes(tmp_path) - before < 50_000 * TRIES
    handed = hand.post("/api/acts", {"device": "Phone", "version": "0", "acts": acts})
    assert [each["came"] for each in handed["came"]] == ["done"] * TRIES
    view = hand.get("/api/prints/p")
    assert [each["number"] for each in view["tries"]] == list(range(1, 2 * TRIES + 1))
    assert view["tries"][1]["changed"] == ["Area 1 drawn otherwise"]
    assert len(json.dumps(view)) < 250_000
    assert hand.post("/api/prints/draw", view["print"])["worked"]["changed"] == []
    hand.post("/api/prints/p/again", {"id": "t0"})
    again = hand.get("/api/prints/p")["print"]["plan"]["areas"]
    assert again[0]["shape"] == areas[0]["shape"]
    assert again[5]["shape"] != areas[5]["shape"]


def _bytes(folder: Path) -> int:
    """What the log takes."""
    with closing(database.connect(folder / "data" / DATABASE)) as db:
        pages, size = (db.execute(f"PRAGMA {each}").fetchone()[0] for each in PAGES)
        return int(pages * size)


PAGES = ("page_count", "page_size")
