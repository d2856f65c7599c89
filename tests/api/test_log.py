"""The log: found as one types, filtered, paged, and each exposure's whole story."""

import xml.etree.ElementTree as ET
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from starlette.testclient import TestClient

from emulsa.exchange import sidecar
from emulsa.store import log
from tests.api.test_api import refusal
from tests.api.test_film_in_hand import ok

Json = dict[str, Any]
HOUSE = "doorway in shade placed on III, heather bank IV, wet slate face V⅓, lit frost IX; N−1"


def found(client: TestClient, **query: Any) -> list[str]:
    """The ids of a page of the log."""
    answer = client.get("/api/log", params=query)
    assert answer.status_code == 200, answer.text
    return [each["exposure_id"] for each in answer.json()["lines"]]


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("winding", {"exposure-1A", "exposure-1B"}),
        ("WIND inc", {"exposure-1A", "exposure-1B"}),
        ("4a", {"exposure-4A", "exposure-trial-4A"}),
        ("fog sleepers", {"exposure-4A"}),
        ("saw teeth", {"exposure-shed-A"}),
        ("telephoto", {"exposure-4A"}),
        ("yellow", {"exposure-1A", "exposure-1B"}),
        ("bar", set()),
        ('"quoted" (NEAR', set()),
        ("adit -props", {"exposure-3A"}),
        ("*", None),
        ("   ", None),
    ],
)
def test_words_find_exposures(client: TestClient, text: str, wanted: set[str] | None) -> None:
    """By the beginnings of words, in any order, whatever is typed; nothing typed is everything."""
    all_ = set(found(client, limit=200))
    assert set(found(client, text=text)) == (all_ if wanted is None else wanted)


def test_accents_are_folded(client: TestClient) -> None:
    """é is found by e and by é, in what is written later too."""
    scene = client.get("/api/scenes/scene-adit").json()["scene"]
    client.put("/api/scenes/scene-adit", json={**scene, "title": "Étang gelé, Müllerweg"})
    for text in ("etang", "Étang", "gele", "GELÉ", "mullerw"):
        assert found(client, text=text) == ["exposure-3A"]
    client.post("/api/undo")
    assert found(client, text="etang") == []
    assert found(client, text="adit") == ["exposure-3A"]


TRIALS = [f"exposure-trial-{side}" for side in ("4A", "3B", "3A", "2B", "2A", "1B", "1A")]


@pytest.mark.parametrize(
    ("query", "wanted"),
    [
        ({"film_id": "film-ostrel", "outing_id": "outing-quarry"}, ["exposure-3A"]),
        ({"lens_id": "lens-300"}, ["exposure-4A"]),
        ({"pinhole_id": "pinhole-box", "n": 0}, ["exposure-tip-3"]),
        ({"filter_id": "filter-yellow"}, ["exposure-1B", "exposure-1A"]),
        ({"filter_id": "filter"}, []),
        ({"n": 1, "day_from": "2026-01-01"}, ["exposure-4A"]),
        ({"state": "judged"}, ["exposure-shed-B", "exposure-shed-A", *TRIALS]),
        ({"day_from": "2025-11-22", "day_to": "2025-11-22", "text": "saw"}, ["exposure-shed-B", "exposure-shed-A"]),
        ({"day_to": "2025-11-21"}, TRIALS),
        ({"day_to": "2025-10-17"}, []),
        ({"recipe_id": "recipe-harle-fine"}, ["exposure-trial-4A", "exposure-trial-3B"]),
        ({"ei": 400}, ["exposure-trial-4A"]),
        ({"ei": 250, "outing_id": "outing-quarry"}, ["exposure-3A"]),
        ({"showed": "best"}, ["exposure-trial-1B"]),
        ({"showed": "flat"}, ["exposure-trial-4A", "exposure-trial-3A"]),
        ({"showed": "full", "film_id": "film-corvane"}, ["exposure-shed-B"]),
        ({"showed": "thin", "film_id": "film-corvane"}, ["exposure-shed-A"]),
        ({"text": "fine-grain metol"}, ["exposure-trial-4A", "exposure-trial-3B"]),
        ({"text": "EI 400 harle"}, ["exposure-trial-4A"]),
        ({"text": "winding", "film_id": "film-ostrel"}, []),
    ],
)  # fmt: skip
def test_filters(client: TestClient, query: Json, wanted: list[str]) -> None:
    """Each narrows, together they narrow more; newest first."""
    assert found(client, **query) == wanted


def test_a_developer_called_otherwise_is_found_by_its_new_name(client: TestClient) -> None:
    """What a recipe is called now is searched, and every index there is can be chosen."""
    recipes = {each["id"]: each for each in client.get("/api/kit").json()["recipes"]}
    fine = {**recipes["recipe-harle-fine"], "name": "Zelmira bath"}
    client.put("/api/kit/recipes/recipe-harle-fine", json=fine)
    assert found(client, text="zelmira") == ["exposure-trial-4A", "exposure-trial-3B"]
    assert found(client, text="fine-grain metol") == []
    client.post("/api/undo")
    assert found(client, text="zelmira") == []
    assert client.get("/api/log/indices").json() == [100.0, 200.0, 250.0, 400.0]


def test_pages_meet(client: TestClient) -> None:
    """Page by page every exposure once, in the order of time; the total is told once."""
    for text in ("", "o"):
        whole = found(client, text=text, limit=200)
        seen: list[str] = []
        query: Json = {"text": text, "limit": 3}
        total = client.get("/api/log", params=query).json()["total"]
        while True:
            page = client.get("/api/log", params=query).json()
            seen += [each["exposure_id"] for each in page["lines"]]
            if page["next"] is None:
                break
            query["before"] = page["next"]
        assert seen == whole
        assert total == len(whole)
    times = [each["exposed_at"] for each in client.get("/api/log").json()["lines"]]
    assert times == sorted(times, reverse=True)


@settings(max_examples=200)
@given(st.text(max_size=40))
def test_whatever_is_typed_is_a_search(text: str) -> None:
    """No text is an error in the search's own language."""
    words = log.match_text(text)
    assert words.count('"') % 2 == 0
    assert words == "" or all(
        each.startswith('"') and each.endswith('"*') for each in words.split(" ")
    )


@pytest.mark.parametrize(
    ("change", "word"),
    [
        (("PUT", "/api/kit/films/film-corvane", {"name": "Zelmira 100"}), "zelmira"),
        (("PUT", "/api/kit/filters/filter-yellow", {"name": "Zelmira"}), "zelmira"),
        (("PUT", "/api/outings/outing-quarry", {"place": "Zelmira heath"}), "zelmira"),
        (("PUT", "/api/scenes/scene-winding-house", {"note": "zelmira"}), "zelmira"),
    ],
)
def test_the_index_follows_what_is_changed(
    client: TestClient, change: tuple[str, str, Json], word: str
) -> None:
    """A new name is found at once, the old one no more than it should, undo turns it back."""
    method, path, fields = change
    kind, id_ = path.split("/")[-2:]
    kit = client.get("/api/kit").json()
    if kind in kit:
        record = next(each for each in kit[kind] if each["id"] == id_)
    elif kind == "outings":
        record = client.get("/api/outings").json()[0]["outing"]
    else:
        record = client.get(path).json()["scene"]
    assert found(client, text=word) == []
    assert client.request(method, path, json={**record, **fields}).status_code == 200
    assert "exposure-1A" in found(client, text=word)
    client.post("/api/undo")
    assert found(client, text=word) == []


def test_the_whole_story(client: TestClient) -> None:
    """From the box to the judgement, every step with its moment; the sums are those of the day."""
    story = client.get("/api/log/exposure-shed-A").json()
    assert [each["said"] for each in story["steps"]] == [
        "loaded", "exposed", "put into a run", "developed", "judged",
    ]  # fmt: skip
    assert story["box"] == "box of 25, C 417"
    assert story["run"]["minutes"] == 6.5
    assert story["next_time"] == "give half a stop more"
    assert [each["name"] for each in story["attachments"]] == ["cutting-shed-5A.png"]
    ledger = story["ledger"]
    film = next(e for e in client.get("/api/kit").json()["films"] if e["id"] == "film-corvane")
    client.put("/api/kit/films/film-corvane", json={**film, "exposure_index": 25})
    scene = client.get("/api/scenes/scene-shed").json()["scene"]
    client.put("/api/scenes/scene-shed", json={**scene, "aperture": "64"})
    again = client.get("/api/log/exposure-shed-A").json()
    assert again["ledger"] == ledger
    assert refusal(client.get("/api/log/none"), 404)


def test_the_sidecar_is_read_by_a_general_xml_library(client: TestClient) -> None:
    """Property names of the exif and dc schemas of ISO 16684, from memory; values by arithmetic."""
    outing = client.get("/api/outings").json()[0]["outing"]
    place = {**outing, "latitude": 54.5, "longitude": -3.25}
    client.put("/api/outings/outing-quarry", json=place)
    answer = client.get("/api/log/exposure-4A/sidecar.xmp")
    assert 'filename="emulsa-incline-in-fog-4A.xmp"' in answer.headers["content-disposition"]
    names = {
        "rdf": "http://www.w3.org/1999/02/22-rdf-syntax-ns#",
        "exif": "http://ns.adobe.com/exif/1.0/",
        "dc": "http://purl.org/dc/elements/1.1/",
        "own": sidecar.HOUSE,
    }
    root = ET.fromstring(answer.content)
    assert root.tag == "{adobe:ns:meta/}xmpmeta"
    told = root.find("rdf:RDF/rdf:Description", names)
    assert told is not None

    def text(path: str) -> str:
        return told.findtext(path, "", names)

    assert text("exif:ExposureTime") == "1/8"
    top, bottom = map(int, text("exif:FNumber").split("/"))
    assert top / bottom == pytest.approx(2**4.5, rel=1e-4)
    assert text("exif:ISOSpeedRatings/rdf:Seq/rdf:li") == "100"
    assert text("exif:FocalLength") == "300/1"
    assert text("exif:DateTimeOriginal").startswith("2026-01-17T10:12:00")
    assert (text("exif:GPSLatitude"), text("exif:GPSLongitude")) == ("54,30.0000N", "3,15.0000W")
    assert "Incline in fog" in text("dc:description/rdf:Alt/rdf:li")
    assert text("own:Film") == "Corvane 100"
    assert text("own:Development") == "N+1"
    assert text("own:Holder") == "4A"
    beside = client.get("/api/log/exposure-shed-A/sidecar.xmp?beside=scan-shed")
    assert 'filename="cutting-shed-5A.xmp"' in beside.headers["content-disposition"]


@given(st.floats(1e-4, 1e6))
def test_rationals_are_close(value: float) -> None:
    """A time or a number comes back from its rational within a thousandth."""
    top, bottom = map(int, sidecar.rational(value).split("/"))
    assert top / bottom == pytest.approx(value, rel=2e-3) or abs(top / bottom - value) < 1e-4


def test_a_line_is_drawn(client: TestClient) -> None:
    """Its readings of the day, how far it was off, how far its film has come."""
    lines = {each["exposure_id"]: each for each in client.get("/api/log").json()["lines"]}
    house, fog = lines["exposure-1A"], lines["exposure-4A"]
    assert house["slip"]["text"] == HOUSE
    assert [each["placed"] for each in house["slip"]["ticks"]] == [True, False, False, False]
    assert (house["slip"]["low"], house["slip"]["high"]) == (2.0, 9.0)
    assert (fog["n"], fog["off_text"]) == (1.0, "⅓ stop too little")
    assert (house["off_text"], house["error_stops"] == 0) == ("", False)
    assert fog["error_stops"] == pytest.approx(-0.37, abs=0.1)
    assert {each["exposure_id"] for each in lines.values() if each["printed"]} == {
        "exposure-shed-A"
    }


def test_the_log_from_afar(client: TestClient) -> None:
    """How many for which N by film, and when; each counted as if it were not itself narrowed."""
    shape = ok(client.get("/api/log/shape"))
    by_n = {(each["n_text"], each["film_name"]): each["count"] for each in shape["by_n"]}
    assert by_n[("N−1", "Corvane 100")] == 4
    assert by_n[("N", "Harle 200")] == 7
    assert sum(by_n.values()) == 18
    assert [each["count"] for each in shape["by_month"]] == [7, 7, 4]
    fog = ok(client.get("/api/log/shape", params={"text": "fog sleepers"}))
    assert [(each["n_text"], each["count"]) for each in fog["by_n"]] == [("N+1", 1)]
    narrowed = ok(client.get("/api/log/shape", params={"n": 1}))
    assert narrowed["by_n"] == shape["by_n"]
    assert sum(each["count"] for each in narrowed["by_month"]) == 3
    month = shape["by_month"][1]["month"]
    days = {"day_from": f"{month}-01", "day_to": f"{month}-31"}
    narrowed = ok(client.get("/api/log/shape", params=days))
    assert narrowed["by_month"] == shape["by_month"]
    assert sum(each["count"] for each in narrowed["by_n"]) == 7
