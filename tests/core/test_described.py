"""What stands beside a record, in words: the kit in lines, a pinhole's facts, a law as it is drawn,
which side was meant, what must be sharp."""

from dataclasses import replace
from typing import Any

import pytest

from emulsa.core import wire
from emulsa.core.begun import BEGUN
from emulsa.core.bench.drawing import read_off
from emulsa.core.corrections.aperture_choice import ByLimits, BySpread
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Pinhole
from emulsa.core.corrections.reciprocity import Law, PowerLaw
from emulsa.core.darkroom.evening_plan import hours
from emulsa.core.film.ready import Fitting, Ready, meant, meant_row
from emulsa.core.kit.described import described, law_text
from emulsa.core.kit.pictured import law_drawn, seen
from emulsa.core.kit.usual import offered, usual
from emulsa.core.scene.record import Scene
from emulsa.core.scene.sharp import sharp_said
from emulsa.core.sensitometry.curve import Curve, DensityStep, Metered
from emulsa.core.written import Written, writing

FILMS, WAYS = {"f": "Corvane"}, {"inversion": "inverted"}


@pytest.mark.parametrize(
    ("kind", "change", "line"),
    [
        ("films", {}, "EI 100, no reciprocity law yet"),
        (
            "films",
            {
                "box_speed": 125,
                "price": 2.5,
                "law": {"kind": "power", "exponent": 1.3},
                "provenance": {"law": "own test"},
            },
            "EI 100 (box 125), reciprocity: exponent 1.3 from 1 s, own test, £2.50 a sheet",
        ),
        (
            "recipes",
            {"film_id": "f", "recipe": {"developer": "MQ", "dilution": "1+1"}},
            "Corvane, MQ, 1+1",
        ),
        ("recipes", {"recipe": {"not_recommended": "uneven"}}, "not recommended: uneven"),
        ("cameras", {"format_mm": [120, 95], "backs": []}, "120 × 95 mm"),
        ("lenses", {}, "150 mm, f/5.6 to f/64"),
        (
            "lenses",
            {
                "optics": {
                    "focal_length_mm": 300,
                    "widest": "9",
                    "smallest": "90",
                    "telephoto": True,
                }
            },
            "300 mm, f/9 to f/90, telephoto",
        ),
        ("pinholes", {}, "0.3 mm hole, 75 mm from the film"),
        ("filters", {}, "×2"),
        (
            "filters",
            {"filter": {"stops": 3, "type": "contrast", "colour": "yellow_green"}},
            "3 stops, yellow-green",
        ),
        ("filters", {"filter": {"density": 0.9, "type": "graduated"}}, "density 0.9, graduated"),
        ("formats", {}, "164 × 119 mm"),
        ("meters", {}, "no error of its own"),
        ("meters", {"spot_deg": 1, "calibration": {"offset_stops": -1 / 3}}, "1°, −⅓ stop"),
        (
            "lines",
            {"baths": [{"name": "A", "kind": "developer"}, {"name": "B", "kind": "fixer"}]},
            "A, B",
        ),
        (
            "bottles",
            {"mixed": "2026-01-17", "capacity_rolls": 10, "used_rolls": 2.5},
            "fixer, mixed 17 January 2026, 2.5 of 10 rolls used",
        ),
        ("powders", {"volume_ml": 1000, "parts": [{"name": "soda", "grams": 5}]}, "1000 ml, soda"),
        ("papers", {"surface": "matt"}, "matt, no filter"),
    ],
)
def test_a_record_in_a_line(kind: str, change: dict[str, Any], line: str) -> None:
    """In the order one would say it; what was not said is not there."""
    begun = BEGUN[kind]
    sent = {**wire.encode(begun), "id": "x", "name": "x", **change}
    sent |= {"film_id": sent["film_id"] or "f"} if "film_id" in sent else {}
    if kind == "recipes" and "film_id" not in change:
        line = f"Corvane, {line}"
    with writing(Written(currency="£")):
        assert described(wire.decode(type(begun), sent), FILMS, WAYS) == line


def test_a_tank_names_its_agitation() -> None:
    """By the words of the kit; several of a kind are told."""
    tank = replace(BEGUN["tanks"], id="t", name="Drum", holds=4, many=2)
    said = described(tank, {}, {tank.agitation: "inverted"})
    assert said.startswith("4 sheets, ")
    assert said.endswith("inverted, 2 of them")


def test_an_enlarger_by_its_ends() -> None:
    enlarger = replace(BEGUN["enlargers"], id="e", name="Tall", focal_lengths_mm=(80, 150))
    assert described(enlarger, {}, {}).startswith("80 mm, 150 mm, f/")


@pytest.mark.parametrize(
    ("law", "text"),
    [
        ({"kind": "none", "until_s": 100}, "no correction up to 100 s"),
        ({"kind": "additive", "a": 0.2, "b": 1.5}, "t + 0.2·t^1.5"),
        ({"kind": "table", "rows": [[1, 1], [10, 20]]}, "table of 2 rows"),
        ({"kind": "stops", "rows": [[1, 0], [10, 1], [100, 2]]}, "table of 3 rows"),
    ],
)
def test_a_law_in_words(law: dict[str, Any], text: str) -> None:
    found: Law = wire.decode(Law, law)
    assert law_text(found) == text


def test_what_a_pinhole_sees() -> None:
    """The numbers of ``pinhole`` (tests/handbook) as one reads them; the caution from a stop on."""
    facts = {each.name: each for each in seen(Pinhole(diameter_mm=0.3, distance_mm=75)).facts}
    assert facts["Its f-number"].text == "f/250"
    assert facts["It sees, corner to corner"].text == "91°"  # 2·atan(76.5/75)
    assert facts["The corners lose"].text == "2.1 stops"
    assert facts["The edges of the long side lose"].text == "1.4 stops"
    assert facts["1.9·√(λv), the usual one"].text == "0.386 mm"  # Rayleigh 1891
    assert [each.beside for each in facts.values()] == [False] * 4 + [True] * 5
    assert seen(Pinhole(diameter_mm=0.3, distance_mm=75)).caution.startswith("Keep what matters")
    assert seen(Pinhole(diameter_mm=0.5, distance_mm=150)).caution == ""


def test_a_law_is_drawn() -> None:
    """From a tenth of a second to a quarter of an hour, its ticks in the units one says."""
    drawn = law_drawn(PowerLaw(exponent=1.3))
    assert (drawn.points[0].metered_s, drawn.points[-1].metered_s) == pytest.approx((0.1, 1000))
    assert [each.text for each in drawn.metered] == ["0.1 s", "1 s", "10 s", "1 min", "10 min"]
    assert drawn.given[-1].text == "1 h"
    assert drawn.says.startswith("Metered and given: 0.1 s 0.1 s, 1 s 1 s, 10 s 20 s, 1.7 min 6.6")


def ready(where: str, state: str = "loaded") -> Ready:
    return Ready(
        piece_id=f"p-{where}",
        where=where,
        film_id="f",
        film_name="Corvane",
        state=state,  # type: ignore[arg-type]
        share_given=0,
        share_left=1,
        roll_number=None,
        in_gate=True,
        rated_ei=None,
        rating_reason=None,
        camera_id=None,
        doubt="",
    )


FITS = Fitting(
    now=(ready("2A"), ready("2B")),
    unexposed=(ready("2A"), ready("2B"), ready("3A")),
    taken=(ready("1A", "exposed"),),
)
NONE = Fitting(now=(), unexposed=(), taken=())


@pytest.mark.parametrize(
    ("fits", "typed", "piece", "unplaced"),
    [
        (FITS, "", "p-2A", False),
        (FITS, " 2b ", "p-2B", False),
        (FITS, "1A", "p-1A", False),  # exposed already: named when it happened
        (FITS, "no holder", None, True),
        (FITS, "No Holder", None, True),
        (NONE, "", None, True),
    ],
)
def test_which_side_is_meant(fits: Fitting, typed: str, piece: str | None, unplaced: bool) -> None:
    found = meant(fits, typed, "Corvane")
    assert (found.piece and found.piece.piece_id, found.unplaced) == (piece, unplaced)
    assert found.refusal == ""


@pytest.mark.parametrize(
    ("fits", "said"),
    [
        (FITS, "9C holds no unexposed Corvane; choose from 2A, 2B, or no holder."),
        (NONE, "9C holds no unexposed Corvane; choose from no holder."),
    ],
)
def test_a_side_that_cannot_take_it(fits: Fitting, said: str) -> None:
    """Says which can."""
    found = meant(fits, "9c", "Corvane")
    assert (found.refusal, found.piece, found.unplaced) == (said, None, False)


@pytest.mark.parametrize(
    ("typed", "ids", "fits"),
    [
        ("", ["p-2A", "p-2B"], True),
        ("3a, 2A", ["p-3A", "p-2A"], True),
        ("2A 2A", ["p-2A"], False),
        ("2A 1A", ["p-2A"], False),
        ("2A 2B 3A", ["p-2A", "p-2B", "p-3A"], False),
    ],
)
def test_a_row_of_sides(typed: str, ids: list[str], fits: bool) -> None:
    """As many different unexposed ones as there are frames, in their order."""
    found = meant_row(FITS, typed, 2, "Corvane")
    assert list(found.piece_ids) == ids
    assert (found.refusal == "") == fits
    if not fits:
        assert found.refusal.startswith("2 different unexposed sides or frames of Corvane are")
        assert found.refusal.endswith("loaded are 2A, 2B, 3A.")


@pytest.mark.parametrize(
    ("change", "says", "fields"),
    [
        ({}, "", ("", "", "", "", "")),
        ({"depth": BySpread(focus_spread_mm=4)}, "depth 4 mm", ("4", "", "", "", "")),
        (
            {"depth": ByLimits(near_mm=2_500, far_mm=1e8)},
            "2.5 m to horizon",
            ("", "2.5", "", "", ""),
        ),
        (
            {
                "depth": ByLimits(near_mm=2_000, far_mm=30_000),
                "movement": Movement(what="grass", speed_mm_s=300, distance_mm=4_000),
            },
            "2 m to 30 m, grass",
            ("", "2", "30", "300", "4"),
        ),
        ({"movement": Movement(speed_mm_s=5)}, "moving", ("", "", "", "5", "")),
        (
            {"movement": Movement(what="running water", speed_mm_s=800, blur_times=30)},
            "running water shall flow",
            ("", "", "", "800", "", "30"),
        ),
    ],
)
def test_what_must_be_sharp(change: dict[str, Any], says: str, fields: tuple[str, ...]) -> None:
    """In a line, and as it stands in its fields."""
    found = sharp_said(replace(Scene(id="s", outing_id="o", title="Pool"), **change))
    assert found.says == says
    in_fields = (found.spread, found.near, found.far, found.speed, found.away, found.times)
    assert in_fields == (*fields, "")[:6]


def test_what_is_usual() -> None:
    """What was put away is neither offered nor usual, unless it is chosen already."""
    plain = BEGUN["tanks"]
    old, one, two = (
        replace(plain, id=id_, name=id_, archived=id_ == "old") for id_ in ("old", "one", "two")
    )
    assert offered([old, one, two]) == [one, two]
    assert offered([old, one, two], "old") == [old, one, two]
    assert usual([old, one, two], None, plain) == one
    assert usual([old, one, two], "old", plain) == old
    assert usual([old, one, two], "two", plain) == two
    assert usual([old], None, plain) == plain


def test_hours_of_an_evening() -> None:
    """At most eight, in steps one says; told as hours and minutes."""
    assert [each.text for each in hours(3_600)] == [
        "0:00", "0:10", "0:20", "0:30", "0:40", "0:50", "1:00",
    ]  # fmt: skip
    assert [each.text for each in hours(7 * 3_600)][-1] == "7:00"
    assert [each.at_s for each in hours(60)] == [0]


def test_curves_are_read_off_where_they_reach() -> None:
    """By thirds of a zone, each curve only within its data; a straight one has its own line."""
    curve = Curve(
        id="8 min",
        minutes=8,
        base_fog=0.1,
        exposure=Metered(kind="metered", ei=100),
        steps=tuple(DensityStep(stops=at, density=0.6 + 0.2 * at) for at in range(-2, 3)),
    )
    longer = replace(curve, id="11 min", steps=(*curve.steps, DensityStep(stops=3, density=1.2)))
    found = list(read_off([curve, longer]))
    assert (found[0].text, found[-1].text, len(found)) == ("Zone III", "Zone VIII", 16)
    assert found[7].text == "Zone V⅓"
    assert found[7].densities == {"8 min": "0.67", "11 min": "0.67"}
    assert found[-1].densities == {"11 min": "1.20"}
    assert list(read_off([replace(curve, steps=curve.steps[:2])])) == []
