"""Scans looked at together: what is told of them, their tiles, their places, how they were made."""

import io
from pathlib import Path
from typing import Any

import pytest
from PIL import Image
from starlette.testclient import TestClient

from emulsa.exchange import tiles
from tests.api.test_api import refusal
from tests.api.test_attachments import attach, image

Json = dict[str, Any]
TURNED = 6  # EXIF 2.3: its right side is up


def compared(client: TestClient, *of: str, **more: float) -> Json:
    answer = client.get("/api/comparison", params={"of": ",".join(of), **more})
    assert answer.status_code == 200, answer.text
    told: Json = answer.json()
    return told


def told(view: Json) -> dict[str, list[str]]:
    return {each["name"]: each["values"] for each in view["differs"]}


def stepped(width: int, height: int, mode: str = "I;16") -> bytes:
    """A scan of sixteen bits whose left half is dark and whose right half is light."""
    picture = Image.new("I", (width, height), 9_000)
    picture.paste(52_000, (width // 2, 0, width, height))
    file = io.BytesIO()
    picture.convert(mode).save(file, "TIFF")
    return file.getvalue()


def test_a_bracket_side_by_side(client: TestClient) -> None:
    """The five frames of the trial differ in what they were given and in nothing else."""
    view = compared(client, *(f"scan-trial-{side}" for side in ("1A", "1B", "2A", "2B", "3A")))
    assert told(view) == {
        "Exposure": ["f/16, 1/4 s", "f/16, 1/8 s", "f/16, 1/15 s", "f/16, 1/30 s", "f/16, 1/60 s"],
        "Light given": [f"bracket {each}" for each in ("+2", "+1", "0", "−1", "−2")],
    }
    titles = [each["title"] for each in view["seen"]]
    assert titles[0] == "1A · Tip in mist, post · bracket +2"
    assert [each["judgement"]["best"] for each in view["seen"]] == [
        False,
        True,
        False,
        False,
        False,
    ]
    assert all(each["in_bracket"] and each["judged"] for each in view["seen"])


def test_two_developers_side_by_side(client: TestClient) -> None:
    """Film and index, recipe, minutes and light: each where it is not the same."""
    differs = told(compared(client, "scan-trial-2A", "scan-trial-3B", "scan-trial-4A"))
    assert differs["Film"] == ["Harle 200, EI 200", "Harle 200, EI 100", "Harle 200, EI 400"]
    assert differs["Developer"] == [
        "Metol–hydroquinone 1+2, trays",
        "Fine-grain metol, trays",
        "Fine-grain metol, trays",
    ]
    assert differs["Developed"] == ["9 min 30 s, N", "12 min, N", "18 min, N"]
    assert "Lens" not in differs


def test_a_story_says_what_lies_beside_it(client: TestClient) -> None:
    """A frame of a bracket is laid beside its bracket; a sheet alone beside its scene's others."""
    story = client.get("/api/log/exposure-trial-2A").json()
    assert story["together"] == [
        {
            "says": "its bracket",
            "picture_ids": [f"scan-trial-{side}" for side in ("2A", "1A", "1B", "2B", "3A")],
        }
    ]
    shed = client.get("/api/log/exposure-shed-A").json()
    assert [each["says"] for each in shed["together"]] == ["its scene"]
    assert shed["together"][0]["picture_ids"] == ["scan-shed", "scan-shed-b"]
    assert client.get("/api/log/exposure-1A").json()["together"] == []


def test_tiles_of_a_deep_scan(client: TestClient, folder: Path) -> None:
    """A scan of sixteen bits lies in tiles of every size; together they are the picture."""
    assert attach(client, stepped(1300, 700), "deep.tif").status_code == 200
    (seen,) = compared(client, "a")["seen"]
    assert (seen["width"], seen["height"], seen["levels"]) == (1300, 700, 3)
    sizes = {}
    for level, (columns, rows) in enumerate([(3, 2), (2, 1), (1, 1)]):
        for row in range(rows):
            for column in range(columns):
                answer = client.get(f"/api/attachments/a/tiles/{level}/{column}/{row}")
                assert answer.headers["content-type"] == "image/jpeg"
                with Image.open(io.BytesIO(answer.content)) as tile:
                    sizes[level, column, row] = tile.size
                    if (level, column) in ((0, 0), (0, 2)):
                        assert tile.mode == "L"
                        (low, high) = tile.getextrema()
                        assert (low, high) == ((35, 35) if column == 0 else (203, 203))
    assert sizes == {
        (0, 0, 0): (512, 512),
        (0, 1, 0): (512, 512),
        (0, 2, 0): (276, 512),
        (0, 0, 1): (512, 188),
        (0, 1, 1): (512, 188),
        (0, 2, 1): (276, 188),
        (1, 0, 0): (512, 350),
        (1, 1, 0): (138, 350),
        (2, 0, 0): (325, 175),
    }
    refusal(client.get("/api/attachments/a/tiles/0/3/0"), 404)
    refusal(client.get("/api/attachments/a/tiles/3/0/0"), 404)
    (kept,) = (folder / "attachments").glob("*.tiles.screen.zip")
    written = kept.stat().st_mtime_ns
    client.get("/api/attachments/a/tiles/0/0/0")
    assert kept.stat().st_mtime_ns == written  # made once


def test_a_turned_picture_is_upright(client: TestClient) -> None:
    """What its EXIF turns is as wide as it is shown, and its tiles too."""
    file = io.BytesIO()
    picture = Image.new("L", (600, 200), 80)
    exif = picture.getexif()
    exif[0x0112] = TURNED
    picture.save(file, "JPEG", exif=exif)
    attach(client, file.getvalue(), "turned.jpg")
    (seen,) = compared(client, "a")["seen"]
    assert (seen["width"], seen["height"], seen["levels"]) == (200, 600, 2)
    with Image.open(io.BytesIO(client.get("/api/attachments/a/tiles/0/0/0").content)) as tile:
        assert tile.size == (200, 512)


def test_greys_are_matched_at_a_place(client: TestClient) -> None:
    """Where it is chosen every picture has the grey of the first."""
    attach(client, image("PNG", "L", (64, 48)), id_="black")
    attach(client, stepped(400, 200), "a.tif", id_="a")
    light = Image.new("L", (400, 200), 70)
    file = io.BytesIO()
    light.save(file, "PNG")
    attach(client, file.getvalue(), "b.png", id_="b")
    left = compared(client, "a", "b", x=0.2, y=0.5)
    right = compared(client, "a", "b", x=0.8, y=0.5)
    assert [each["gain"] for each in left["seen"]] == pytest.approx([1, 35 / 70])
    assert [each["gain"] for each in right["seen"]] == pytest.approx([1, 203 / 70])
    assert [each["gain"] for each in compared(client, "a", "b")["seen"]] == [1, 1]


def test_places_are_kept_with_the_picture(client: TestClient) -> None:
    """Named once, they are there beside any other scan; the first's own counts where two have one
    name; undo takes a name back."""
    ridge = {"name": "ridge", "x": 0.7, "y": 0.3, "width": 0.1}
    edge = {"name": "Edge", "x": 0.1, "y": 0.9, "width": 0.2}
    named = client.post("/api/attachments/scan-trial-1A/places", json=ridge)
    assert named.json()["places"] == [ridge]
    for place in ({**ridge, "x": 0.2}, edge):
        client.post("/api/attachments/scan-trial-2A/places", json=place)
    view = compared(client, "scan-trial-1A", "scan-trial-2A")
    assert view["places"] == [edge, ridge]
    assert view["named"] == {
        "ridge": ["scan-trial-1A", "scan-trial-2A"],
        "Edge": ["scan-trial-2A"],
    }
    assert compared(client, "scan-trial-2A", "scan-trial-1A")["places"][1]["x"] == 0.2
    again = client.post("/api/attachments/scan-trial-1A/places", json={**ridge, "y": 0.9})
    assert again.json()["places"] == [{**ridge, "y": 0.9}]
    client.post("/api/attachments/scan-trial-1A/places/forgotten", json={"name": "ridge"})
    assert compared(client, "scan-trial-1A")["places"] == []
    client.post("/api/undo")
    client.post("/api/undo")
    assert compared(client, "scan-trial-1A")["places"] == [ridge]


def test_how_it_was_scanned_is_a_difference(client: TestClient) -> None:
    """Two scans made in different ways say so."""
    body = {"device": "flatbed", "per_inch": 2400, "raw": True}
    assert client.put("/api/attachments/scan-trial-1A/scanned", json=body).status_code == 200
    differs = told(compared(client, "scan-trial-1A", "scan-trial-1B"))
    assert differs["Scan"] == ["flatbed, 2,400 points an inch, raw", "not known"]
    (told_,) = client.get("/api/log/exposure-trial-1A").json()["scans"].values()
    assert told_["text"] == "flatbed, 2,400 points an inch, raw"
    other = client.put("/api/attachments/scan-trial-1A/scanned?base=", json={"device": "other"})
    assert other.status_code == 409
    assert other.json()["error"]["version"] == told_["version"]
    wrong = client.put("/api/attachments/scan-trial-1A/scanned", json={"per_inch": 5})
    assert refusal(wrong, 422)["field"] == "per_inch"


def test_what_cannot_be_looked_at(client: TestClient, folder: Path) -> None:
    """Too many, none, one that is gone; one whose file is gone is shown as small as it is kept."""
    many = ",".join(f"scan-{place}" for place in range(7))
    said = refusal(client.get("/api/comparison", params={"of": many}), 422)
    assert said["message"] == "One to 6 pictures are looked at together."
    said = refusal(client.get("/api/comparison", params={"of": "gone"}), 404)
    assert said["message"] == "A picture was not found; it may have been taken off."
    attach(client, image(), id_="a")
    for each in (folder / "attachments").glob("*.png"):
        each.unlink()
    (seen,) = compared(client, "a")["seen"]
    assert seen["levels"] == 0
    refusal(client.get("/api/attachments/a/tiles/0/0/0"), 404)


def test_a_strip_of_a_test_is_looked_at_alone(client: TestClient) -> None:
    """What belongs to no exposure has its name and nothing to differ."""
    view = compared(client, "scan-velm-7")
    assert view["differs"] == []
    assert view["seen"][0]["title"] == "velm-7-min-with-wedge.tif"
    assert view["seen"][0]["exposure_id"] is None


def test_sizes_halve_until_one_tile_is_all() -> None:
    assert [tiles.levels(*size) for size in ((1, 1), (512, 512), (513, 1), (1024, 1025))] == [
        1,
        1,
        2,
        3,
    ]
