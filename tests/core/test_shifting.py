"""A run that goes otherwise than planned: the next bath now, half a minute longer."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.darkroom.process import Cue, ProcessStep, TimedStep, timed
from emulsa.core.darkroom.shifting import Shift, shifted
from emulsa.core.errors import Unsound

STEPS = timed(
    (
        ProcessStep(name="Developer", kind="developer", seconds=300, agitation="30+10", drain_s=10),
        ProcessStep(name="Stop", kind="stop", seconds=30, pour_s=5),
        ProcessStep(name="Fixer", kind="fixer", seconds=240, agitation="30+10"),
    )
)
DEVELOPER, STOP, FIXER = STEPS


def go(at_s: float, longer_s: float | None = None) -> tuple[TimedStep, ...]:
    return shifted(Shift(steps=STEPS, at_s=at_s, longer_s=longer_s)).steps


def ends(steps: tuple[TimedStep, ...]) -> list[float]:
    return [each.end_s for each in steps]


def test_as_planned() -> None:
    """The developer drains in its last ten seconds; the stop bath is poured in for five."""
    assert ends(STEPS) == [300, 335, 575]
    assert DEVELOPER.cues[-1] == Cue(start_s=290, end_s=300, kind="drain")


def test_the_next_bath_now() -> None:
    """It is poured out from now on, which takes as long as ever; the rest comes earlier."""
    steps = go(200)
    assert ends(steps) == [210, 245, 485]
    assert steps[0].cues[-1] == Cue(start_s=200, end_s=210, kind="drain")
    assert max(each.end_s for each in steps[0].cues[:-1]) <= 200
    assert [each.start_s - 90 for each in steps[2].cues] == pytest.approx(
        [each.start_s - 180 for each in FIXER.cues]
    )


def test_while_it_drains_already() -> None:
    """What is left of the pouring is still waited for."""
    assert ends(go(294)) == [300, 335, 575]


def test_a_bath_without_draining_ends_at_once() -> None:
    """The stop bath: now is now."""
    assert ends(go(310)) == [300, 310, 550]


def test_half_a_minute_longer() -> None:
    """It goes on being moved each half minute, and is poured out thirty seconds later."""
    steps = go(200, 60)
    assert ends(steps) == [360, 395, 635]
    assert steps[0].cues[-1] == Cue(start_s=350, end_s=360, kind="drain")
    moved = [each.start_s for each in steps[0].cues if each.kind == "agitate"]
    before = [each.start_s for each in DEVELOPER.cues if each.kind == "agitate"]
    assert moved[: len(before)] == before
    assert moved[len(before) :] == pytest.approx([before[-1] + 60])


def test_what_is_heard_follows() -> None:
    """The announcement comes ten seconds before the new end, the end last of all."""
    heard = shifted(Shift(steps=STEPS, at_s=310, longer_s=30)).heard
    assert heard[-1].says == "Done"
    assert heard[-1].at_s == 605
    assert [each.at_s for each in heard if each.says == "In ten seconds: Fixer"] == [355]
    lifted = shifted(Shift(steps=STEPS, at_s=1, out="Lift")).heard
    assert [each.at_s for each in lifted if each.says == "Lift: Developer"] == [1]


def test_a_run_that_is_over() -> None:
    """Nothing is left to be longer."""
    with pytest.raises(Unsound, match="The run is over"):
        go(575)


@given(at_s=st.floats(0, 574), longer=st.one_of(st.none(), st.floats(1, 600)))
def test_nothing_that_was_is_changed(at_s: float, longer: float | None) -> None:
    """What is over stays; the steps keep their order; all that comes moves by the same time."""
    steps = go(at_s, longer)
    place = next(at for at, each in enumerate(STEPS) if at_s < each.end_s)
    assert steps[:place] == STEPS[:place]
    by = steps[place].end_s - STEPS[place].end_s
    for before, after in zip(STEPS[place + 1 :], steps[place + 1 :], strict=True):
        assert after.start_s == pytest.approx(before.start_s + by)
        assert after.end_s - after.start_s == pytest.approx(before.end_s - before.start_s)
    assert steps[place].end_s >= at_s
    if longer is not None:
        assert by == pytest.approx(longer)
    over = [each for each in STEPS[place].cues if each.end_s <= at_s and each.kind != "drain"]
    assert [each for each in steps[place].cues if each.end_s <= at_s][: len(over)] == over
    assert replace(steps[place], cues=()) is not None
