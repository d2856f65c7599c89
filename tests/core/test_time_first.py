"""The time first: aperture and neutral filter follow, with what is left over."""

import math
from dataclasses import replace

import pytest

from emulsa.core.corrections.filters import Filter
from emulsa.core.errors import CoreError, Impossible, Unreadable
from emulsa.core.exposing.chain import exposure
from emulsa.core.kit.bag import KitFilter
from emulsa.core.kit.preferences import Preferences
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.grammar import parse
from emulsa.core.line.lines import typed
from emulsa.core.line.words import TimeWord
from emulsa.core.scene.edits import edited
from emulsa.core.scene.plan import plan
from emulsa.core.scene.time_first import for_time
from emulsa.demo.bag import FILTERS, LENSES
from emulsa.demo.quarry import ADIT, WINDING_HOUSE
from tests.core.test_scene import kit_of

HOUSE = kit_of(WINDING_HOUSE)
GREYS = [each for each in FILTERS if each.filter.type == "plain"]
DARK = KitFilter(id="dark", name="Neutral 1.8", filter=Filter(density=1.8))


@pytest.mark.parametrize(
    ("text", "seconds"), [("time 1/2", 0.5), ("time 2 s", 2), ("time 2:10", 130), ("TIME 4", 4)]
)
def test_a_time_is_read(text: str, seconds: float) -> None:
    """As it is on a dial or a watch."""
    assert parse(text) == TimeWord(seconds=seconds)


@pytest.mark.parametrize("text", ["time soon", "time", "time 0"])
def test_what_is_no_time(text: str) -> None:
    with pytest.raises(CoreError):
        parse(text)
    with pytest.raises(Unreadable, match="is not a time"):
        parse("time soon")


@pytest.mark.parametrize("wanted", [1 / 8, 1 / 2, 1, 2, 4, 8])
def test_what_it_gives_is_what_the_chain_says(wanted: float) -> None:
    """The aperture and filter it names, asked of the exposure itself, leave what it says."""
    found = for_time(WINDING_HOUSE, HOUSE, [*GREYS, DARK], wanted)
    worn = tuple(each for each in (*GREYS, DARK) if each.id == found.filter_id)
    kit = replace(HOUSE, filters=(*HOUSE.filters, *worn))
    answer = exposure(plan(replace(WINDING_HOUSE, aperture=found.aperture), kit))
    assert math.log2(answer.corrected_s / wanted) == pytest.approx(found.left_stops)
    assert abs(found.left_stops) <= 1


def test_no_filter_where_an_aperture_does_it() -> None:
    """Of two ways the one with less glass."""
    as_it_is = exposure(plan(WINDING_HOUSE, HOUSE))
    found = for_time(WINDING_HOUSE, HOUSE, [*GREYS, DARK], as_it_is.corrected_s)
    assert (found.aperture, found.filter_id) == (WINDING_HOUSE.aperture, None)
    assert found.says.startswith("f/32 gives ")
    assert "from it" not in found.says


def test_a_filter_where_no_aperture_is_near() -> None:
    """A minute by daylight; one that is on already is not put on twice."""
    found = for_time(WINDING_HOUSE, HOUSE, [*GREYS, DARK], 90)
    assert found.filter_id == "dark"
    assert "with Neutral 1.8 gives" in found.says
    worn = replace(HOUSE, filters=(*HOUSE.filters, DARK))
    with pytest.raises(Impossible):
        for_time(WINDING_HOUSE, worn, [DARK], 40_000)


def test_nothing_comes_near() -> None:
    """It is said, with the nearest there is."""
    with pytest.raises(Impossible, match="Nothing here gives 1 h 7 min: the nearest: f/64"):
        for_time(WINDING_HOUSE, HOUSE, [], 4_000)


def test_typed_it_is_put_on() -> None:
    """Aperture and filter in one line; what the scene then asks for is the time."""
    names = KitNames(lenses=LENSES, filters=(*FILTERS, DARK))
    told = typed("time 90 s", WINDING_HOUSE, HOUSE, names, Preferences(), "r")
    scene = edited(WINDING_HOUSE, told.edits, "")
    assert scene.filter_ids == (*WINDING_HOUSE.filter_ids, "dark")
    kit = replace(HOUSE, filters=(*HOUSE.filters, DARK))
    assert math.log2(exposure(plan(scene, kit)).corrected_s / 90) == pytest.approx(0, abs=0.5)


def test_a_pinhole_has_filters_only() -> None:
    """No aperture is set where there is none."""
    kit = kit_of(ADIT)
    seconds = exposure(plan(ADIT, kit)).corrected_s
    found = for_time(ADIT, kit, [DARK], seconds * 1.05)
    assert (found.aperture, found.filter_id) == (None, None)
    assert found.says.startswith("the pinhole gives 13 min")
