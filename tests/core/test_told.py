"""Changes in words, what is asked while a recipe is written, reminders that fit what is exposed."""

import re
from typing import Any

import pytest

from emulsa.core import tables
from emulsa.core.development.recipes import settled
from emulsa.core.errors import Unreadable
from emulsa.core.film.ready import Ready, fitting, meant, meant_row
from emulsa.core.kit.preferences import CHECKLIST, Preferences
from emulsa.core.kit.reminders import all_reminders, reminders
from emulsa.core.kit.told import Told, told
from emulsa.core.written import Written, writing


@pytest.mark.parametrize(
    ("field", "before", "after", "said"),
    [
        ("exposure_index", 100, 64, ("EI", "100", "64")),
        ("textural_range", "[2, 8.5]", "[3, 8]", ("texture", "II to VIII½", "III to VIII")),
        ("n", -1, 0.5, ("N", "N−1", "N+½")),
        ("minutes", 6.5, None, ("minutes", "6 min 30 s", "nothing")),
        ("optics", {"draw_mm": 20}, {"draw_mm": 25.5}, ("optics: draw", "20 mm", "25.5 mm")),
        ("held_stops", 0, 1 / 3, ("held", "0 stop", "+⅓ stop")),
        ("archived", False, True, ("archived", "no", "yes")),
        ("opened", "2026-11-29", "", ("opened", "29 November 2026", "nothing")),
        ("points", '[{"n": 0}]', '[{"n": 1}]', ("points", "1 row", "changed")),
        ("points", [{"n": 0}], [{"n": 0}, {"n": 1}], ("points", "1 row", "2 rows")),
        ("filter_ids", ["a"], [], ("filter", "1 entry", "nothing")),
        ("reading: zone", 3, 4.5, ("reading: zone", "III", "IV½")),
        ("temperature_c", 20, 18.5, ("temperature", "20 °C", "18.5 °C")),
        ("note", "", "[draft", ("note", "nothing", "[draft")),
        ("label", None, "x" * 90, ("label", "nothing", "x" * 79 + "…")),
    ],
)
def test_a_change_in_words(field: str, before: Any, after: Any, said: tuple[str, str, str]) -> None:
    """Never a key with its unit, never JSON."""
    (found,) = told(field, before, after)
    assert found == Told(*said)


def test_a_line_for_every_part_that_changed() -> None:
    """However deep it lies; what stayed is not said; in one's own units."""
    before = {"shutter": {"fastest": "1/500", "slowest": "1"}, "focal_length_mm": 150}
    after = {"shutter": {"fastest": "1/250", "slowest": "1"}, "focal_length_mm": 152.4}
    with writing(Written(length="in")):
        lines = told("optics", before, after)
    assert [(each.field, each.before, each.after) for each in lines] == [
        ("optics: shutter: fastest", "1/500", "1/250"),
        ("optics: focal length", "5.91 in", "6 in"),
    ]
    assert not any(re.search(r"[_{}\[\]]", each.field) for each in lines)


def test_a_dilution_that_can_mean_two_things() -> None:
    """It is asked while it is written, with both meanings; one that says its own is not."""
    with pytest.raises(Unreadable, match="can mean 1\\+25 or 1 in 25: choose which"):
        settled("1 : 25", None, "recipe.colon")
    settled("1:25", "one_in_n", "recipe.colon")
    settled("1:1:100", None, "recipe.colon")
    settled("stock", None, "recipe.colon")


@pytest.mark.parametrize(
    ("typed", "n", "minutes"), [("9", "0", "9"), ("8:30", "0", "8:30"), ("-1 7", "-1", "7")]
)
def test_a_lone_number_is_the_minutes_for_n(typed: str, n: str, minutes: str) -> None:
    """On the first evening nobody thinks of N−1."""
    (row,) = tables.points(typed)
    assert (row["n"], row["minutes"]) == (n, minutes)


def piece(where: str, roll: int | None = None, camera: str | None = None) -> Ready:
    return Ready(
        piece_id=f"piece-{where}",
        where=where,
        film_id="film",
        film_name="Film",
        state="loaded",
        share_given=0.0,
        share_left=1.0,
        roll_number=roll,
        in_gate=roll is None or where.endswith("-1"),
        rated_ei=None,
        rating_reason=None,
        camera_id=camera,
        doubt="",
    )


LOADED = (
    piece("3B"),
    piece("4A"),
    piece("R4-1", 4, "box"),
    piece("R4-2", 4, "box"),
    piece("R5-1", 5, "other"),
)


def test_film_in_the_camera_comes_first() -> None:
    """Of the lens's own camera; sheets then, and rolls in other cameras last."""
    assert [each.where for each in fitting(LOADED, "film", 1.0).now] == ["3B", "4A", "R4-1", "R5-1"]
    fits = fitting(LOADED, "film", 1.0, "box")
    assert [each.where for each in fits.now] == ["R4-1", "3B", "4A", "R5-1"]
    assert meant(fits, "", "Film").piece == LOADED[2]
    field = fitting(LOADED, "film", 1.0, "field")
    assert [each.where for each in field.now] == ["3B", "4A", "R4-1", "R5-1"]


def test_a_bracket_stays_on_one_kind() -> None:
    """All sheets or all of one roll, as the first is; typed otherwise it is refused."""
    sheets, roll = fitting(LOADED, "film", 1.0), fitting(LOADED, "film", 1.0, "box")
    assert meant_row(sheets, "", 2, "Film").where == ("3B", "4A")
    assert meant_row(roll, "", 2, "Film").where == ("R4-1", "R4-2")
    assert "3 different unexposed" in meant_row(roll, "", 3, "Film").refusal
    mixed = meant_row(sheets, "4A R4-1", 2, "Film")
    assert mixed.refusal == "A bracket stays on sheets, or on one roll; 4A, R4-1 are both."
    assert mixed.piece_ids == ()
    two = meant_row(sheets, "R4-1 R5-1", 2, "Film")
    assert two.refusal.startswith("A bracket stays on sheets, or on one roll")


def test_reminders_fit_what_is_exposed() -> None:
    """Nobody draws the slide of a roll or sets a pinhole's aperture; one's own steps stay."""
    usual = all_reminders(Preferences())
    assert usual["sheet lens"].before == CHECKLIST
    assert usual["sheet lens"].after == "Slide back, exposed side out"
    assert usual["sheet pinhole"].before[0] == "Shutter closed"
    assert usual["roll lens"].before == (
        "Shutter closed, aperture set",
        "Lens cap off, filter on",
        "Wound on; wait until the camera has settled",
    )
    assert usual["roll pinhole"].after == "Wind on to the next frame"
    own = Preferences(checklist=("Hat on", "Holder in, right side to the lens"), after="Tea")
    assert reminders(own, "roll", "lens").before == ("Hat on",)
    assert reminders(own, "roll", "lens").after == "Tea"
