"""What negatives are for, what paper and lamps do to times, what can still be done to a negative.

Common practice, no source, where none is named.
"""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.sheet import worked_out
from emulsa.core.corrections.optics import Lens
from emulsa.core.data.printing_ways import WAYS, PrintedBy
from emulsa.core.errors import CoreError
from emulsa.core.film.judgement import Judgement, afterwards
from emulsa.core.film.stock import Stock, state
from emulsa.core.kit.bag import KitLens
from emulsa.core.line import grammar
from emulsa.core.line.setting import carry_setting
from emulsa.core.printing.planned import PrintPart, PrintSetting
from emulsa.core.prints.acts import Reworking, longer, rework
from emulsa.core.prints.flashing import FlashStrip, flash_said
from emulsa.core.prints.record import Print, PrintPlan
from emulsa.core.scene.changes import SetAperture
from emulsa.core.scene.record import Scene
from emulsa.core.sensitometry.film_test import targets_for
from emulsa.demo import sheets
from emulsa.demo.bag import FILMS

TEST = next(each for each in sheets.TESTS if len(each.curves) > 1)


@pytest.mark.parametrize("way", sorted(WAYS))
def test_a_film_test_goes_by_what_its_negatives_are_for(way: PrintedBy) -> None:
    """The more range a process wants, the longer one develops for its N."""
    film = next(each for each in FILMS if each.id == TEST.film_id)
    usual = worked_out(TEST, film, None).answer
    own = worked_out(TEST, film, None, (), targets_for(way))
    assert own.net_at_viii == WAYS[way][1]
    assert usual is not None
    assert own.answer is not None
    ns = [(a.n, b.n) for a, b in zip(usual.curves, own.answer.curves, strict=True)]
    told = [(a, b) for a, b in ns if a is not None and b is not None]
    assert told
    for before, after in told:
        if WAYS[way][1] > 1.25:
            assert after < before
        elif WAYS[way][1] < 1.25:
            assert after > before
        else:
            assert after == before


@given(st.floats(1, 300), st.floats(0.1, 10), st.floats(1, 1.5))
def test_paper_slows_over_a_minute(before: float, factor: float, exponent: float) -> None:
    """To 60 s it takes the light as it comes; behind that more, by its exponent; there and back is
    where one was; an exponent of 1 loses nothing."""
    wanted = before * factor
    given_s = longer(before, wanted, exponent)
    assert longer(before, wanted, 1.0) == pytest.approx(wanted)
    assert longer(given_s, given_s / factor, exponent) == pytest.approx(before)
    if max(before, wanted) <= 60:
        assert given_s == wanted
    elif before <= 60:
        assert given_s >= wanted - 1e-9


def _print(seconds: float, **setting: float) -> Print:
    plan = PrintPlan(
        parts=(PrintPart(id="base", label="no filter", seconds=seconds),),
        setting=PrintSetting(aperture="8", magnification=2.0, **setting),
    )
    return Print(id="p", exposure_id="e", title="t", plan=plan)


def test_a_larger_print_on_paper_that_slows() -> None:
    """Twice as large from 40 s: (5/3)² is 111 s, and t^1.1 over the first minute makes 118."""
    before = _print(40)
    wanted = Reworking(setting=replace(before.plan.setting, magnification=4.0))
    found = rework(before, wanted, 1.1)
    light = 40 * (5 / 3) ** 2
    (part,) = found.print.plan.parts
    assert part.seconds == pytest.approx(60 * (light / 60) ** 1.1, abs=1e-3)
    assert [each.label for each in found.ledger if each.stops][-1] == "long times"
    assert rework(before, wanted).print.plan.parts[0].seconds == pytest.approx(light, abs=1e-3)


def test_a_contact_print_under_a_lamp() -> None:
    """A lamp half as far gives four times the light (inverse squares, definition)."""
    before = _print(40, lamp_mm=1_000)
    wanted = Reworking(setting=replace(before.plan.setting, lamp_mm=500))
    found = rework(before, wanted)
    assert found.print.plan.parts[0].seconds == pytest.approx(10)
    assert {each.label: each.stops for each in found.ledger}["lamp"] == -2
    nobody = rework(_print(40), Reworking(setting=_print(1, lamp_mm=500).plan.setting))
    assert nobody.print.plan.parts[0].seconds == pytest.approx(40)


def test_paper_flashed_by_a_strip() -> None:
    """Half a stop under the middle of white and grey: √(4·5)/√2 = 3.16 s, reaching
    −log2(1 − 2^−½) = 1.77 stops down."""
    found = flash_said(FlashStrip(last_white_s=4, first_grey_s=5))
    assert found.flash_s == pytest.approx((20 / 2) ** 0.5)
    assert found.says.startswith("Flash 3.2 s: highlights up to 1⅔ stops")
    with pytest.raises(CoreError):
        flash_said(FlashStrip(last_white_s=5, first_grey_s=4))


@pytest.mark.parametrize(
    ("judged", "part"),
    [
        (
            Judgement(id="a", shadow="full", highlight="flat"),
            "selenium toning, strong: about N+½ to N+1",
        ),
        (Judgement(id="a", shadow="full", highlight="blocked"), "reducer: about N−1"),
        (Judgement(id="a", shadow="heavy", highlight="full"), "cutting reducer"),
    ],
)
def test_what_can_still_be_done(judged: Judgement, part: str) -> None:
    """With its effect in N, and the caution that goes with it."""
    said = afterwards(judged)
    assert part in said
    assert "by the maker's instructions" in said
    assert afterwards(Judgement(id="a", shadow="full", highlight="full")) == ""


@pytest.mark.parametrize(
    ("kept", "expires", "said"),
    [
        ("shelf", "2016-01", "a guess: begin 1 stop slower"),
        ("fridge", "2006-01", "a guess: begin 1 stop slower"),
        ("freezer", "2006-01", "a guess: begin ½ stop slower"),
        ("shelf", "2025-06", ""),
        ("shelf", "2027-06", ""),
    ],
)
def test_old_film_is_slower_by_a_guess(kept: str, expires: str, said: str) -> None:
    """By its age and how it was kept; little is no word worth."""
    box = Stock(
        id="b", film_id="f", format="4x5", count=25, expires=expires,
        kept=kept,  # type: ignore[arg-type]
    )  # fmt: skip
    assert ("a guess" in state(box, 0, "2026-01-17").says) is bool(said)
    assert said in state(box, 0, "2026-01-17").says


def test_a_barrel_lens_by_its_opening() -> None:
    """300 mm through 25 mm is f/12 (definition); no lens, no focal length."""
    lens = KitLens(
        id="l", name="300", optics=Lens(focal_length_mm=300, widest="5.6", smallest="64")
    )
    scene = Scene(id="s", outing_id="o", title="t", lens_id="l")
    carried = carry_setting(scene, grammar.parse("opening 25 mm"), [lens])
    assert carried is not None
    assert carried == ((SetAperture(aperture=12.0),), "aperture f/12: 25 mm of 300 mm")
    with pytest.raises(CoreError):
        carry_setting(scene, grammar.parse("opening 25 mm"), [])
    with pytest.raises(CoreError):
        carry_setting(scene, grammar.parse("opening 2 mm"), [lens])
