"""A scene's picture through the service: handed in, metered by, read off, taken away, carried on."""

import io
import itertools
import math
import struct
import zlib
from pathlib import Path
from typing import Any

import pytest
from PIL import Image
from PIL.TiffImagePlugin import IFDRational as Ratio
from PIL.TiffImagePlugin import ImageFileDirectory_v2
from pypdf import PdfReader
from starlette.testclient import TestClient

from emulsa.core import wire
from emulsa.core.scene.seeing import LookedUp, PictureSeen
from emulsa.exchange import exif
from emulsa.exchange.printed import counted, printed
from tests.api.test_api import refusal
from tests.api.test_attachments import image
from tests.api.test_exchange import archived, merged

Json = dict[str, Any]
SCENE = "scene-tramway"
EXIF_IFD, GPS_IFD = 0x8769, 0x8825
USUAL = {
    0x829A: Ratio(1, 125),
    0x829D: Ratio(8, 1),
    0x8827: 200,
    0x9003: "2026:01:17 09:08:00",
    0xA405: 26,
    0xA001: 1,
}
PLACE = "N 54 12 33.21"
RINGS = [{"rho2": 0.1, "counts": [20] * 256}]


def block(orientation: int = 1) -> Image.Exif:
    """Settings as a phone writes them, with where it was taken."""
    found = Image.Exif()
    found[0x0112] = orientation
    found.get_ifd(EXIF_IFD).update(USUAL)
    found.get_ifd(GPS_IFD).update({1: "N", 2: (Ratio(54), Ratio(12), Ratio(3321, 100)), 27: PLACE})
    return found


def photograph(kind: str = "JPEG", orientation: int = 1) -> bytes:
    """Two greys beside each other, with the settings in the file."""
    file = io.BytesIO()
    drawn = Image.new("RGB", (120, 80), (60, 60, 60))
    drawn.paste((180, 180, 180), (60, 0, 120, 80))
    if kind == "TIFF":
        info = ImageFileDirectory_v2()
        info[EXIF_IFD] = dict(USUAL)
        drawn.save(file, kind, tiffinfo=info)
    else:
        drawn.save(file, kind, exif=block(orientation))
    return file.getvalue()


def counts(level: int) -> list[int]:
    found = [0] * 256
    found[level] = 30
    return found


def spot(level: int, x: float) -> Json:
    return {"x": x, "y": 0.5, "radius": 0.02, "counts": counts(level)}


@pytest.fixture
def scene(client: TestClient) -> str:
    """A scene of one's own without a picture, with two readings."""
    whole = {
        "id": SCENE,
        "outing_id": "outing-quarry",
        "title": "Tramway",
        "readings": [
            {"id": "dark", "label": "dark", "reading": {"kind": "ev", "ev": 9}},
            {"id": "light", "label": "light", "reading": {"kind": "ev", "ev": 13}},
        ],
        "pin": {"reading": "dark", "zone": 3},
    }
    answer = client.put(f"/api/scenes/{SCENE}", params={"base": ""}, json=whole)
    assert answer.status_code == 200, answer.text
    return SCENE


def attach(client: TestClient, content: bytes, id_: str = "pic", name: str = "tram.jpg") -> Any:
    query = {"scene_id": SCENE, "name": name}
    return client.put(f"/api/attachments/{id_}", params=query, content=content)


def view(client: TestClient) -> Json:
    told: Json = client.get(f"/api/scenes/{SCENE}").json()
    return told


def edit(client: TestClient, *edits: Json) -> Any:
    base = view(client)["version"]
    return client.post(
        f"/api/scenes/{SCENE}/edits",
        params={"base": base},
        json={"edits": list(edits), "makes": {}},
    )


def readings(client: TestClient) -> dict[str, Json]:
    return {each["id"]: each for each in view(client)["scene"]["readings"]}


def seen(client: TestClient, **asked: Any) -> Json:
    body = {"scene": view(client)["scene"], "asked": asked}
    told: Json = client.post("/api/scenes/seen", json=body).json()
    return told


def test_what_its_file_says(client: TestClient, scene: str) -> None:
    """Settings and view are taken up, rounded as one reads them; where it was taken is nowhere."""
    assert view(client)["picture"] is None
    answer = attach(client, photograph())
    assert answer.status_code == 200, answer.text
    picture = view(client)["picture"]
    assert picture["typed"] == {
        "time": "1/125",
        "aperture": "8",
        "iso": "200",
        "view": "69.4",
        "offset": "",
    }
    assert picture["attachment"]["metering"]["doubts"] == []
    assert PLACE not in answer.text + str(view(client))
    assert "54" not in str(picture["attachment"]["metering"])
    found = seen(client)
    assert found["says"] == "by its settings alone, ± ½"


@pytest.mark.parametrize("kind", ["PNG", "TIFF", "JPEG"])
def test_every_kind_of_file_is_read(kind: str, tmp_path: Path) -> None:
    """The same settings out of a JPEG's segment, a PNG's chunk and a TIFF's directories."""
    file = tmp_path / "picture"
    file.write_bytes(photograph(kind))
    told = exif.metering(file)
    assert told.settings is not None
    assert told.settings.time_s == pytest.approx(1 / 125)
    assert (told.settings.aperture, told.settings.iso, told.view_deg) == (8, 200, 69.4)
    assert told.taken == "2026:01:17 09:08:00"


def test_a_picture_on_its_side_is_as_high_as_it_is_wide(client: TestClient, scene: str) -> None:
    """120 × 80 turned upright: what lies in the corner lies as far out as it does in sight, and it
    sees the narrow side of its frame."""
    attach(client, photograph(orientation=6))
    metering = view(client)["picture"]["attachment"]["metering"]
    assert metering["turned"] is True
    assert metering["view_deg"] == pytest.approx(math.degrees(2 * math.atan(12 / 26)), abs=0.05)


HARM = {
    "no segment": b"\xff\xd8\xff\xda",
    "a segment longer than the file": b"\xff\xd8\xff\xe1\xff\xffExif\0\0II*\0",
    "a segment of no length": b"\xff\xd8\xff\xe1\0\0",
    "segments without end": b"\xff\xd8" + b"\xff\xe0\0\x04ab" * 5_000,
    "a chunk longer than the file": b"\x89PNG\r\n\x1a\n" + struct.pack(">I", 2**31) + b"eXIf",
    "a directory in a circle": b"\xff\xd8\xff\xe1"
    + struct.pack(">H", 32)
    + b"Exif\0\0II*\0"
    + struct.pack("<IH", 8, 1)
    + struct.pack("<HHII", 0x8769, 4, 1, 8),
    "nothing": b"",
}


@pytest.mark.parametrize("content", HARM.values(), ids=list(HARM))
def test_a_file_that_lies_says_nothing(content: bytes, tmp_path: Path) -> None:
    file = tmp_path / "picture"
    file.write_bytes(content)
    assert exif.metering(file).settings is None


def test_a_png_whose_block_is_large_is_not_read(tmp_path: Path) -> None:
    def chunk(name: bytes, data: bytes) -> bytes:
        return (
            struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))
        )

    file = tmp_path / "picture"
    file.write_bytes(b"\x89PNG\r\n\x1a\n" + chunk(b"eXIf", b"II*\0" + b"\0" * 200_000))
    assert exif.exif_block(file) is None


def test_of_one_scene_there_is_one_picture(client: TestClient, scene: str) -> None:
    attach(client, photograph())
    again = refusal(attach(client, image("JPEG", "RGB"), id_="other"), 409)
    assert again["message"] == "This scene has a picture; take it away first."
    assert attach(client, photograph()).status_code == 200  # the same once more changes nothing
    nowhere = client.put(
        "/api/attachments/x", params={"scene_id": "none", "name": "a.jpg"}, content=photograph()
    )
    assert refusal(nowhere, 404)["field"] == "scene_id"


def test_readings_make_it_a_meter_and_places_are_read_off_it(
    client: TestClient, scene: str
) -> None:
    """Two spot readings are put where they lie; a place between them is read off, placed and
    exposed by; one reading corrected by a stop takes it along."""
    attach(client, photograph())
    assert (
        edit(
            client,
            {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)},
            {"kind": "put_at", "id": "light", "spot": spot(180, 0.8)},
        ).status_code
        == 200
    )
    assert seen(client)["says"] == "by 2 spot readings, ± ⅓"
    middle = seen(client, probe=spot(110, 0.5))["probe"]
    assert middle["zone_text"] == "V"
    taken = {
        "kind": "read",
        "id": "bank",
        "label": "bank",
        "reading": middle["reading"],
        "spot": spot(110, 0.5),
    }
    answer = edit(client, taken, {"kind": "place", "reading": "bank", "zone": 5})
    assert answer.status_code == 200, answer.text
    first = readings(client)["bank"]["reading"]
    assert first == middle["reading"]
    assert answer.json()["said"]["bank"] == "EV 11 ± ⅓, from the picture"
    # what is sent as read off is read again here: nobody's word is taken for it
    edit(client, {**taken, "reading": {"kind": "photo", "ev100": 3, "sigma_stops": 0}})
    assert readings(client)["bank"]["reading"] == first
    edit(client, {"kind": "read", "id": "dark", "reading": {"kind": "ev", "ev": 10}})
    edit(client, {"kind": "read", "id": "light", "reading": {"kind": "ev", "ev": 14}})
    moved = readings(client)["bank"]["reading"]
    assert moved["ev100"] == pytest.approx(first["ev100"] + 1, abs=0.001)
    solved = client.post("/api/scenes/solve", json={"scene": view(client)["scene"]}).json()
    falls = {each["id"]: each for each in solved["falls"]}
    assert falls["bank"]["doubt_text"] == ""  # it is what is placed
    assert falls["dark"]["doubt_text"] == "± ⅓"


def test_its_calibration_goes_through_another_door(client: TestClient, scene: str) -> None:
    """As JSON, given to the compute door as it is: two readings, by their names."""
    attach(client, photograph())
    edit(
        client,
        {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)},
        {"kind": "put_at", "id": "light", "spot": spot(180, 0.8)},
    )
    told = client.get(f"/api/scenes/{SCENE}/calibration.json").json()
    answer = client.post("/api/compute/photo_calibrate", json=told).json()
    assert [(each["id"], each["used"]) for each in answer["points"]] == [
        ("dark", True),
        ("light", True),
    ]
    client.delete("/api/attachments/pic")
    gone = client.get(f"/api/scenes/{SCENE}/calibration.json")
    assert refusal(gone, 404)["message"] == "This scene has no picture to meter by."


def text_of(page: bytes) -> str:
    return " ".join(PdfReader(io.BytesIO(page)).pages[0].extract_text().split())


def test_a_scene_on_one_page(client: TestClient) -> None:
    """Its picture and its print as they are on the screen, each reading with its number and where it
    falls, how it adds up, the plan; without a picture the rest."""
    answer = client.get("/api/scenes/scene-winding-house/page.pdf")
    assert answer.headers["content-type"] == "application/pdf"
    page = PdfReader(io.BytesIO(answer.content)).pages[0]
    assert len(page.images) == 2
    text = text_of(answer.content)
    for said in (
        "Winding house, sun on the incline",
        "as the light falls, by 4 spot readings",
        "as it will print, N−1: full texture in 8",
        "doorway in shade",
        "Reciprocity",
        "f/32, 1.3 s",
        "N−1",
        "shadow on III",
        "film Corvane 100",
        "filters Medium yellow",
        "Never aim a meter at the sun",
    ):
        assert said in text, said
    client.delete("/api/attachments/picture-winding-house")
    bare = client.get("/api/scenes/scene-winding-house/page.pdf").content
    assert not PdfReader(io.BytesIO(bare)).pages[0].images
    assert "as it will print" not in text_of(bare)
    assert "doorway in shade" in text_of(bare)


def test_the_page_counts_and_prints_as_the_screen_does(
    client: TestClient, scene: str, tmp_path: Path
) -> None:
    """Two greys, half and half: counted at their own levels; printed as their entries say."""
    attach(client, photograph("PNG"), name="tram.png")
    edit(client, {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)})
    path = tmp_path / "two-greys.png"
    path.write_bytes(photograph("PNG"))
    (ring,) = counted(path)
    assert {level: n for level, n in enumerate(ring.counts) if n} == {60: 4_800, 180: 4_800}
    told = wire.decode(PictureSeen, seen(client, rings=[wire.encode(ring)]))
    assert told.look_up is not None
    shown = told.prints[0]
    made = Image.open(io.BytesIO(printed(path, told.look_up, shown)))
    dark = told.look_up.sum_index[_place(told.look_up, 60)]
    assert shown.mark[dark] == 2
    assert made.getpixel((10, 40)) == shown.grey[dark]
    light = told.look_up.sum_index[_place(told.look_up, 180)]
    assert made.getpixel((110, 70)) in (shown.grey[light], 130)
    assert made.size == (120, 80)


def _place(tables: LookedUp, level: int) -> int:
    total = tables.red[level] + tables.green[level] + tables.blue[level]
    return total if total < 4_096 else 4_096 + (total - 4_096) // 16


def test_a_flash_is_said(client: TestClient, scene: str) -> None:
    """What speaks against its levels stands with it in words."""
    file = io.BytesIO()
    told = block()
    told.get_ifd(EXIF_IFD)[0x9209] = 1
    Image.new("RGB", (60, 40), (90, 90, 90)).save(file, "JPEG", exif=told)
    attach(client, file.getvalue())
    metering = view(client)["picture"]["attachment"]["metering"]
    assert metering["doubts"] == ["A flash went off: this light is not the scene’s."]


def test_what_it_is_metered_by_is_said(client: TestClient, scene: str) -> None:
    """Another time by a stop moves what was read off it by its settings alone, under the version it
    was changed from; out of range is refused with its range."""
    attach(client, photograph())
    level = spot(118, 0.5)
    probe = seen(client, probe=level)["probe"]["reading"]
    edit(client, {"kind": "read", "id": "p", "label": "p", "reading": probe, "spot": level})
    before = readings(client)["p"]["reading"]["ev100"]
    picture = view(client)["picture"]
    known = picture["attachment"]["metering"]
    settings = {"time_s": "1/250", "aperture": "8", "iso": "200"}

    def put(base: str, **more: Any) -> Any:
        return client.put(
            "/api/attachments/pic/metering",
            params={"base": base},
            json={**known, "settings": settings, **more},
        )

    assert put(picture["version"]).status_code == 200
    after = readings(client)["p"]["reading"]["ev100"]
    assert after == pytest.approx(before + 1, abs=0.01)
    late = put(picture["version"], view_deg="60")
    assert (late.status_code, late.json()["error"]["code"]) == (409, "conflict")
    wide = refusal(put(view(client)["picture"]["version"], view_deg="200"), 422)
    assert (wide["field"], wide["allowed"]) == ("view_deg", [1, 170])
    scan = client.put("/api/attachments/scan-shed/metering", params={"base": ""}, json=known)
    assert refusal(scan, 409)["message"].startswith("This picture is not a scene's")


def test_taken_away_and_brought_back_exactly(client: TestClient, scene: str) -> None:
    """Its places go with it, their figures stay; undo brings all of it back, redo takes it again."""
    attach(client, photograph())
    edit(client, {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)})
    before = view(client)
    assert client.delete("/api/attachments/pic").status_code == 200
    bare = view(client)
    assert bare["picture"] is None
    assert [each["spot"] for each in bare["scene"]["readings"]] == [None, None]
    assert client.post("/api/undo").json()["label"] == "remove tram.jpg"
    again = view(client)
    assert (again["scene"], again["picture"]) == (before["scene"], before["picture"])
    assert client.post("/api/redo").status_code == 200
    assert view(client)["picture"] is None
    # another picture begins with nothing in it
    client.post("/api/undo")
    client.delete("/api/attachments/pic")
    attach(client, photograph(), id_="second")
    assert readings(client)["dark"]["spot"] is None


def test_what_was_done_away_comes_home_before_its_picture(client: TestClient, scene: str) -> None:
    """Places that lie in a picture that is still on its way stay where they lie, and are read by it
    when it comes."""
    place = {
        "kind": "read",
        "id": "bank",
        "label": "bank",
        "reading": {"kind": "photo", "ev100": 11, "sigma_stops": 0.5},
        "spot": spot(110, 0.5),
    }
    edit(client, {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)}, place)
    assert readings(client)["bank"]["reading"]["ev100"] == 11
    attach(client, photograph())
    there = readings(client)
    assert there["dark"]["spot"]["x"] == 0.2
    assert there["bank"]["reading"]["ev100"] == pytest.approx(9 + 1.95, abs=0.3)
    assert there["bank"]["reading"]["ev100"] != 11


def test_a_scene_goes_with_its_picture(client: TestClient, scene: str) -> None:
    attach(client, photograph())
    assert client.delete(f"/api/scenes/{SCENE}").status_code == 200
    client.post("/api/undo")
    assert view(client)["picture"]["attachment"]["id"] == "pic"


def test_it_goes_through_an_archive(client: TestClient, scene: str) -> None:
    """Picture, what it is metered by and where readings lie: out and in again, as they were."""
    attach(client, photograph())
    edit(client, {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)})
    before = view(client)
    out = archived(client)
    client.delete(f"/api/scenes/{SCENE}")
    assert merged(client, out)["state"] == "done"
    again = view(client)
    assert (again["scene"], again["picture"]) == (before["scene"], before["picture"])
    kept = client.get("/api/attachments/pic")
    assert kept.content == photograph()


def test_a_place_of_it_is_one_shown_value(client: TestClient, scene: str) -> None:
    """No counts of a level that is not there: short counts are refused where they stand."""
    attach(client, photograph())
    short = {**spot(60, 0.2), "counts": [1]}
    told = refusal(edit(client, {"kind": "put_at", "id": "dark", "spot": short}), 422)
    assert told["field"] == "edits.0.spot.counts"
    assert readings(client)["dark"]["spot"] is None


def test_its_print_is_seen_on_a_paper_of_the_kit(client: TestClient, scene: str) -> None:
    """Paper and flare are kept with the picture, and are those of every print of it; a paper that
    is not in the kit is a normal one; flare out of range is refused."""
    attach(client, photograph())
    edit(client, {"kind": "put_at", "id": "dark", "spot": spot(60, 0.2)})
    before = seen(client, rings=RINGS)["prints"][0]
    picture = view(client)["picture"]

    def put(**more: Any) -> Any:
        return client.put(
            "/api/attachments/pic/metering",
            params={"base": view(client)["picture"]["version"]},
            json={**picture["attachment"]["metering"], **more},
        )

    assert put(paper_id="paper-sleet", flare_share="0.04").status_code == 200
    after = seen(client, rings=RINGS)["prints"][0]
    assert (before["by_text"], after["by_text"]) == (
        "normal paper, flare 1 %",
        "Sleet fibre, variable, flare 4 %",
    )
    assert after["grey"] != before["grey"]
    put(paper_id="gone", flare_share=0)
    assert seen(client, rings=RINGS)["prints"][0]["by_text"] == "normal paper, no flare"
    wide = refusal(put(flare_share=0.5), 422)
    assert (wide["field"], wide["allowed"]) == ("flare_share", [0, 0.2])


def test_a_print_without_a_scan_begins_with_it(client: TestClient, scene: str) -> None:
    """The print of a negative that was not scanned is seen from its scene's picture, as it was
    exposed; with a scan it is the scan, with neither a plain frame."""
    exposure = client.get("/api/log/exposure-shed-A").json()["exposure"]
    of_scene = {"scene_id": exposure["scene_id"], "name": "shed.jpg"}
    client.put("/api/attachments/shed-pic", params=of_scene, content=photograph())
    with_scan = client.get("/api/prints/print-shed").json()
    assert (with_scan["seen_id"], with_scan["by_scene"]) == ("scan-shed", False)
    assert client.delete("/api/attachments/scan-shed").status_code == 200
    told = client.get("/api/prints/print-shed").json()
    assert (told["seen_id"], told["by_scene"]) == ("shed-pic", True)
    assert "No scan yet" in told["preview_text"]
    plan = told["print"]
    base = client.post("/api/prints/preview", json=plan).json()["base"]
    assert all(b >= a for a, b in itertools.pairwise(base))  # lighter places print lighter
    assert base[0] < base[255]
    steps = client.post("/api/prints/preview/area", json={"print": plan, "area_id": "roof"}).json()
    assert steps[0]["greys"] == base
    # settings of a stop less light there: the same level stands for a darker place, and prints so
    known = client.get(f"/api/scenes/{exposure['scene_id']}").json()["picture"]
    darker = {**known["attachment"]["metering"], "offset_stops": -1}
    client.put("/api/attachments/shed-pic/metering", params={"base": known["version"]}, json=darker)
    again = client.post("/api/prints/preview", json=plan).json()["base"]
    assert sum(again) < sum(base)
    client.delete("/api/attachments/shed-pic")
    bare = client.get("/api/prints/print-shed").json()
    assert (bare["seen_id"], bare["by_scene"]) == (None, False)


def test_a_negative_is_judged_against_it(client: TestClient, scene: str) -> None:
    """The exposure whose print was foretold; nothing for film without a picture, or exposed
    twice."""
    told = client.get("/api/log/exposure-shed-A").json()
    piece, of_scene = told["exposure"]["piece_id"], told["exposure"]["scene_id"]
    assert client.get(f"/api/pieces/{piece}/foreseen").json() is None
    params = {"scene_id": of_scene, "name": "shed.jpg"}
    client.put("/api/attachments/shed-pic", params=params, content=photograph())
    assert client.get(f"/api/pieces/{piece}/foreseen").json() == {
        "exposure_id": "exposure-shed-A",
        "picture_id": "shed-pic",
    }
    refusal(client.get("/api/pieces/nowhere/foreseen"), 404)
    half = {"scene_id": "scene-incline", "piece_id": "sheet-2A", "share": 0.5}
    for id_, told in (("half-1", {"exposure_id": "half-1"}), ("half-2", {})):
        assert client.post("/api/exposures", json={"id": id_, **half}).status_code == 200
        found = client.get("/api/pieces/sheet-2A/foreseen").json() or {}
        assert {**found, **told} == found
        assert bool(found) is bool(told)


def test_what_is_typed_for_a_place_is_read_by_the_core(client: TestClient, scene: str) -> None:
    there = {"spot": spot(60, 0.2), "read_off": {"kind": "photo", "ev100": 9, "sigma_stops": 0.3}}
    body = {"scene": view(client)["scene"], "reading_id": "new", "touched": there}
    named = client.post("/api/scenes/line", json={**body, "text": "bank"}).json()
    metered = client.post("/api/scenes/line", json={**body, "text": "9.5 bank"}).json()
    assert named["says"] == "bank, read off the picture"
    assert [each["edits"][0]["reading"]["kind"] for each in (named, metered)] == ["photo", "ev"]
    assert all(each["edits"][0]["spot"]["x"] == 0.2 for each in (named, metered))
    unknown = {**body, "text": "bank", "touched": {"spot": spot(60, 0.2)}}
    assert refusal(client.post("/api/scenes/line", json=unknown), 422)["field"] == "text"
