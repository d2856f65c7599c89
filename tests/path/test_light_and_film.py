"""Five pictures from the light to the negative, every figure worked out by hand beside it.

Paper in a pinhole, reversal film at sunset, slates on a table at 1 : 2, moonrise over the incline,
a wide lens with rise. What is typed is what a photographer types; what is read is what the rooms
say. Filters, warm light, N and temperatures by the kind: common practice, no source; optics by the
thin lens; light by the contract's fits, from memory.
"""

from __future__ import annotations

import math
from typing import Any

import pytest

from emulsa.core.data.film_kinds import KINDS
from tests.api.test_api import refusal
from tests.path.hand import Hand, Json, done

LAW = {"kind": "power", "exponent": 1.3, "from_s": 1}
NO_LAW = {"kind": "none", "until_s": 9_000}


def typed(hand: Hand, *lines: str) -> Json:
    """Lines carried out one after the other, as they are typed; the scene worked out then."""
    for number, text in enumerate(lines):
        view = hand.get("/api/scenes/scene")
        said = hand.post(
            "/api/scenes/line", {"scene": view["scene"], "text": text, "reading_id": f"r{number}"}
        )
        body = {"edits": said["edits"], "makes": said["makes"]}
        hand.post(f"/api/scenes/scene/edits?base={view['version']}", body)
    solved: Json = hand.solve()
    return solved


def rows(solved: Json) -> dict[str, Json]:
    """The ledger by its steps."""
    return {each["step"]: each for each in solved["answer"]["ledger"]}


def focus(hand: Hand, **asked: Any) -> Json:
    scene = hand.get("/api/scenes/scene")["scene"]
    seen: Json = hand.post("/api/scenes/focus", {"scene": scene, "asked": asked})
    return seen


def test_paper_in_a_pinhole(hand: Hand) -> None:
    """EI 6, hazy sun told by the sky, a yellow filter to soften it, 1½ minutes in a tray.

    f/200 at EV 14 and EI 6: N²/2^EV · 100/6 = 40.7 s; yellow ×4 on paper makes 163 s; by t^1.3
    735 s. Development is short of nothing at 1½ minutes, warned at one.
    """
    hand.bench()
    recipe = {
        "developer": "Paper developer",
        "scheme": "tray",
        "points": [{"n": 0, "minutes": 1.5}],
    }
    hand.film(
        {key: value for key, value in recipe.items() if key != "scheme"},
        name="Kelve paper",
        exposure_index=6,
        kind="paper_negative",
        law=LAW,
    )
    hole = {"diameter_mm": 0.3, "distance_mm": 60}
    hand.put("/api/kit/pinholes/hole", {"id": "hole", "name": "Hole", "optics": hole})
    hand.scene(lens_id=None, pinhole_id="hole")
    solved = typed(hand, "hazy", "filter yellow")
    answer = solved["answer"]
    plain = 200**2 / 2**14 * 100 / 6
    assert answer["metered_s"] == pytest.approx(4 * plain)
    assert rows(solved)["filter"]["why"] == "usual ×4 on paper negative film; its maker's wins"
    assert answer["corrected_s"] == pytest.approx((4 * plain) ** 1.3)
    assert solved["development"]["minutes_text"] == "1 min 30 s"
    assert solved["development"]["advice"] == []
    warm = {**hand.get("/api/scenes/scene")["scene"], "light": "tungsten"}
    lamp = hand.post("/api/scenes/solve", {"scene": warm})
    assert rows(lamp)["light"]["stops_text"] == "+2"
    orange = hand.client.post(
        "/api/scenes/line",
        json={"scene": warm, "text": "filter orange ×4", "reading_id": "o"},
    )
    edits = done(orange)
    version = hand.get("/api/scenes/scene")["version"]
    body = {"edits": edits["edits"], "makes": edits["makes"]}
    refused = hand.client.post(f"/api/scenes/scene/edits?base={version}", json=body)
    assert "sees next to nothing of what an orange filter" in refusal(refused, 422)["message"]


def test_reversal_film_at_sunset(hand: Hand) -> None:
    """The sky beside the sun on VII, rocks five stops under it: nothing asks for N, in any room.

    Sky EV 12 on VII at EI 50 is EV 9 for the camera (12 − 2 − 1); at f/16 half a second.
    """
    hand.bench()
    recipe = {"developer": "First developer", "temperature_c": 38, "points": [
        {"n": 0, "minutes": 6}]}  # fmt: skip
    hand.film(recipe, name="Skelde chrome", exposure_index=50, kind="reversal", law=NO_LAW)
    hand.scene(aperture="16")
    solved = typed(hand, "12 sky VII", "6 rocks")
    answer = solved["answer"]
    assert answer["camera_ev"] == pytest.approx(12 - 2 - 1)
    assert answer["metered_s"] == pytest.approx(2**8 / 2**9)
    assert [each["zone"] for each in answer["falls"]] == [7, 1]
    codes = {each["code"] for each in answer["advice"]}
    assert "kind-range" in codes  # six stops, where five are held
    assert codes.isdisjoint({"mark-highlight", "n-by-brightest", "kind-place"})
    assert (answer["development"]["n_text"], solved["no_n"][:13]) == ("normal", "Reversal film")
    typed(hand, "N-1")
    assert hand.solve()["answer"]["n"] == 0
    hand.expose(hand.sheet())
    group = hand.group(temperature_c=38)
    assert (group["n_text"], group["time"]["minutes_text"], group["problem"]) == (
        "normal", "6 min", "",
    )  # fmt: skip
    assert hand.get("/api/darkroom", temperature_c=38)["refused"] == ""
    hand.run(group, 6, temperature_c=38)
    (run,) = hand.get("/api/darkroom")["runs"]
    assert run["n_text"] == "normal"
    course = hand.get("/api/darkroom/runs/run/course")
    assert "time-short" not in str(course["process"]["advice"])
    assert course["cautions"][-1] == "Total darkness."
    (line,) = hand.get("/api/log")["lines"]
    assert line["n_text"] == "normal"
    assert hand.get("/api/log/e")["exposure"]["development_text"] == "normal"


def test_slates_on_a_table_at_one_to_two(hand: Hand) -> None:
    """Half life size through 150 mm: 75 mm of draw, (1 + ½)² = ×2.25; a tilt of 6° lays the plane
    along the table."""
    hand.bench()
    hand.put("/api/kit/cameras/camera", {"id": "camera", "name": "Field", "format_mm": [120, 95]})
    lens = {"focal_length_mm": 150, "widest": "5.6", "smallest": "64"}
    hand.put("/api/kit/lenses/lens", {
        "id": "lens", "name": "150 mm", "camera_id": "camera", "optics": lens})  # fmt: skip
    hand.film({"points": [{"n": 0, "minutes": 8}]})
    hand.scene(aperture="32")
    solved = typed(hand, "8 slate V", "1:2", "tilt 6")
    assert rows(solved)["bellows"]["stops"] == pytest.approx(2 * math.log2(1.5))
    assert solved["sharp"]["says"] == "tilt 6°"
    seen = focus(hand, points="0.45 0")
    tilt = seen["tilt"]
    alpha = math.radians(6)
    away = 150 * 450 / (450 * math.cos(alpha) - 150)  # what lies ahead of the lens is sharp
    plane = math.degrees(math.atan((math.cos(alpha) - 150 / away) / math.sin(alpha)))
    assert tilt["plane_deg"] == pytest.approx(plane)
    assert tilt["sharp"] == [True]
    blur = math.hypot(120, 95) / 1500
    share = 2**5 * blur / (away * math.sin(alpha))
    wedge = math.degrees(math.atan(math.tan(math.radians(plane)) + share))
    assert tilt["upper_deg"] == pytest.approx(wedge)
    at = math.floor(450 * share + 0.5)
    assert f"{at} mm at 45 cm" in tilt["texts"][1]


def test_moonrise_over_the_incline(hand: Hand) -> None:
    """When the moon comes over the skyline of the incline, and what its light takes.

    Full moon 10° up is told 5.9 stops under EV −3½'s noon; f/8 at EI 400 by the film's t^1.3."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}]}, exposure_index=400, law=LAW)
    hand.scene(aperture="8")
    outing = {"id": "outing", "title": "Day", "day": "2026-11-24"}
    place = {"latitude": 54, "longitude": -3, "height_m": 320}
    version = next(each["version"] for each in hand.get("/api/outings"))
    done(hand.client.put(f"/api/outings/outing?base={version}", json={**outing, **place}))
    typed(hand, "looks 60", "skyline 4")
    light = hand.get("/api/outings/outing/light", begin="2026-11-24T00:00:00+00:00")
    (scene,) = light["scenes"]
    rise = next(each for each in light["marks"] if each["what"] == "moonrise")
    (over,) = [each for each in scene["moon"] if each["from_minutes"] > rise["minutes"]]
    assert 15 < over["from_minutes"] - rise["minutes"] < 90  # four degrees of skyline later
    assert scene["bearing_text"] == "looks ENE, 60°, over a skyline of 4°"
    assert light["moon_text"] == "full moon, 100 % lit"
    solved = typed(hand, "full moon at 10° lake V")
    (fall,) = solved["falls"]
    metered = 64 / 2 ** (fall["ev100"] + 2)
    assert solved["answer"]["metered_s"] == pytest.approx(metered)
    assert solved["answer"]["corrected_s"] == pytest.approx(metered**1.3)
    said = hand.get("/api/scenes/scene")["said"]
    assert "full moon, 10° up" in said.values()
    stars = focus(hand)["night_text"]
    assert stars == "Stars stay points up to 9.1 s; the moon stays round up to 13 s"


def test_a_wide_lens_with_rise(hand: Hand) -> None:
    """75 mm on 4×5 with 25 mm of rise: the upper corners, the circle, the centre filter."""
    hand.bench()
    hand.put("/api/kit/cameras/camera", {"id": "camera", "name": "Field", "format_mm": [120, 95]})
    hand.put("/api/kit/lenses/lens", {
        "id": "lens", "name": "75 mm", "camera_id": "camera", "circle_mm": 195,
        "centre_filter_stops": 1.5,
        "optics": {"focal_length_mm": 75, "widest": "5.6", "smallest": "45"},
    })  # fmt: skip
    hand.film({"points": [{"n": 0, "minutes": 8}]})
    hand.scene(aperture="22")
    solved = typed(hand, "9 shade III", "rise 25")
    assert solved["sharp"]["says"] == "rise 25 mm"
    corners = focus(hand)["corners"]
    off = [math.hypot(60, 47.5 + 25), math.hypot(60, 47.5 - 25)]
    lost = [4 * math.log2(1 / math.cos(math.atan(each / 75))) for each in off]
    words = [f"−{math.floor(3 * each + 0.5) / 3:.1f}" for each in lost]
    assert words == ["−2.7", "−1.7"]
    assert corners["stops"] == ["−2⅔ stops"] * 2 + ["−1⅔ stops"] * 2
    room = math.floor(math.sqrt(97.5**2 - 60**2) - 47.5)
    assert f"room for {room} mm of rise" in " ".join(corners["texts"])
    assert "leaves 1⅓ stops" in " ".join(corners["texts"])
    typed(hand, "rise 60")
    assert "circle-too-small" in [each["code"] for each in focus(hand)["corners"]["advice"]]


@pytest.mark.parametrize("kind", sorted(KINDS))
def test_every_room_says_what_the_kind_has(hand: Hand, kind: str) -> None:
    """Scene, schools, plans, log and its columns, side, darkroom, run, evening, story, outing, a
    print's negative: N where there is one, and never where there is none."""
    row = KINDS[kind]  # type: ignore[index]
    hand.bench()
    recipe = {"developer": "Own", "points": [{"n": 0, "minutes": 6}, {"n": -1, "minutes": 5}]}
    hand.film(recipe, kind=kind, law=NO_LAW)
    hand.scene(aperture="16")
    solved = typed(hand, "9 shade III", "15 frost high")
    wanted = "N−1" if row.n else "normal"
    assert solved["answer"]["development"]["n_text"] == wanted
    scene = hand.get("/api/scenes/scene")["scene"]
    opinions = hand.post("/api/scenes/opinions", scene)
    assert ("N−1" in str(opinions)) is row.n
    hand.expose(hand.sheet())
    (line,) = hand.get("/api/log")["lines"]
    (side,) = [
        side for holder in hand.get("/api/holders") for side in holder["sides"] if side["piece_id"]
    ]
    group = hand.group()
    (run,) = hand.evening()["runs"]
    said = [line["n_text"], side["n_text"], group["n_text"], run["pieces"][0]["n_text"]]
    assert said == [wanted] * 4
    assert group["time"]["minutes_text"] == ("5 min" if row.n else "6 min")
    hand.run(group, 5)
    (kept,) = hand.get("/api/darkroom")["runs"]
    assert kept["n_text"] == wanted
    shape = hand.get("/api/log/shape")["by_n"]
    assert [(each["n_text"], each["count"]) for each in shape] == ([("N−1", 1)] if row.n else [])
    n = line["n"]
    assert len(hand.get("/api/log", n=n)["lines"]) == int(row.n)
    hand.post("/api/darkroom/runs/run/developed")
    hand.put("/api/prints/p?base=", {"id": "p", "exposure_id": "e", "title": "Frost"})
    rooms = [hand.get("/api/prints/p")["negative_text"]]
    story = hand.get("/api/log/e")
    rooms += [story["exposure"]["n_text"], story["exposure"]["development_text"]]
    drawn = hand.get("/api/outings/outing/drawn")
    rooms += [drawn["slips"]["scene"]["n_text"], drawn["made"][0]["n_text"]]
    for each in rooms:
        assert ("normal" in each) is not row.n
        assert ("N−1" in each) is row.n
