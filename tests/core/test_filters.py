"""Filters in a stack, under and through them; shutters as they were measured."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.filters import Filter, count, graduated_stops, strength, total_stops
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Shutter, speeds
from emulsa.core.data.contrast import SHIFTS, SUBJECTS, subject_of
from emulsa.core.errors import Unsound
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import High, SpotReading
from emulsa.core.exposing.setting import choose_time
from emulsa.core.light.meters import EvReading
from emulsa.core.tones.placement import Incident
from tests.core.requests import canonical

YELLOW = Filter(label="yellow", factor=2, type="contrast", colour="yellow")
RED = Filter(label="red", factor=8, tungsten_factor=5, type="contrast", colour="red")
GREEN = Filter(label="green", factor=4, type="contrast", colour="green")
GRADUATED = Filter(label="graduated", stops=2, type="graduated")
DENSE = Filter(label="dense", density=0.9)


@pytest.mark.parametrize(
    ("stack", "stops"),
    [
        ((YELLOW, RED), 3),
        ((RED, YELLOW), 3),
        ((RED, RED), 3),
        ((GREEN, RED), 5),
        ((YELLOW, DENSE), 1 + 0.9 / 0.30103),
        ((GRADUATED,), 0),
        ((GRADUATED, RED), 3),
        ((), 0),
    ],
)
def test_stacks(stack: tuple[Filter, ...], stops: float) -> None:
    """Of one colour family the deeper counts, once; all others add; graduated ones cost nothing."""
    assert total_stops(stack) == pytest.approx(stops, abs=1e-4)


filters_ = st.sampled_from([YELLOW, RED, GREEN, GRADUATED, DENSE])


@given(st.lists(filters_, max_size=6).flatmap(lambda f: st.tuples(st.just(f), st.permutations(f))))
def test_the_order_of_a_stack_does_not_matter(stacks: tuple[list[Filter], list[Filter]]) -> None:
    """And no stack costs more than its filters one by one."""
    one, other = stacks
    assert total_stops(one) == pytest.approx(total_stops(other))
    assert total_stops(one) <= sum(strength(each) for each in one) + 1e-9
    assert sum(each.outdone for each in count(one)) == sum(each.outdone for each in count(other))


def test_tungsten_light() -> None:
    """A filter's own tungsten factor counts, and its daylight one where it has none."""
    assert total_stops((RED,), "tungsten") == pytest.approx(2.3219, abs=1e-4)
    assert total_stops((YELLOW,), "tungsten") == 1
    answer = exposure(canonical(filters=(RED,), light="tungsten"))
    row = next(row for row in answer.ledger if row.step == "filter")
    assert (row.stops, row.why) == (pytest.approx(2.3219, abs=1e-4), "factor ×5 in tungsten light")


def read(name: str, ev: float, **marks: Any) -> SpotReading:
    return SpotReading(id=name, label=name, reading=EvReading(ev=ev), **marks)


def answered(*readings: SpotReading, **changes: Any) -> Any:
    return exposure(canonical(readings=readings, **{"high": High(reading="frost"), **changes}))


@given(st.integers(0, 40), st.sampled_from([(RED,), (DENSE,), (GREEN, DENSE)]))
def test_through_the_filter_or_not_is_the_same_exposure(
    thirds: int, stack: tuple[Filter, ...]
) -> None:
    """A grey thing read through the filters, or without them and the factor added."""
    ev, taken = thirds / 3, total_stops(stack)
    without = answered(read("shade", ev), read("frost", ev + 5), filters=stack)
    through = answered(
        read("shade", ev - taken, through=True), read("frost", ev + 5), filters=stack
    )
    assert through.metered_s == pytest.approx(without.metered_s)
    assert [each.zone for each in through.falls] == pytest.approx(
        [each.zone for each in without.falls]
    )


def test_a_sky_read_through_the_filter_falls_darker() -> None:
    """What the filter does to a colour is in the reading: 4 stops taken instead of 3."""
    answer = answered(
        read("shade", 9), read("frost", 14), read("sky", 9, through=True), filters=(RED,)
    )
    assert next(each for each in answer.falls if each.id == "sky").zone == 6
    assert "given back" not in answer.ledger[0].why


def test_what_is_given_back_is_said() -> None:
    """The meter's row says that the filter's stops were given back."""
    answer = answered(read("shade", 6, through=True), read("frost", 14), filters=(RED,))
    assert "3 stops given back" in answer.ledger[0].why
    assert "EV 9" in answer.ledger[0].why


def test_a_graduated_filter_holds_back_only_what_lies_under_it() -> None:
    """The sky comes down two zones; the exposure, placed on the shade, stays."""
    plain = answered(read("shade", 9), read("frost", 15), filters=())
    held = answered(read("shade", 9), read("frost", 15, graduated=True), filters=(GRADUATED,))
    assert held.metered_s == plain.metered_s
    assert [each.zone for each in held.falls] == [3, 7]
    assert (plain.n, held.n) == (-1, 1)
    assert graduated_stops((GRADUATED, RED)) == 2
    row = next(row for row in held.ledger if row.step == "filter")
    assert (row.stops, row.why) == (0, "holds back 1 reading by 2 stops")


def test_a_placed_reading_under_the_graduated_filter_costs_its_stops() -> None:
    """Placing what is held back asks for as much more."""
    plain = answered(read("shade", 9), read("frost", 15), filters=())
    held = answered(read("shade", 9, graduated=True), read("frost", 15), filters=(GRADUATED,))
    assert held.metered_s == pytest.approx(4 * plain.metered_s)


def test_incident_readings_are_no_tones() -> None:
    """They are left out of the range and never lose texture."""
    answer = answered(read("shade", 9), read("frost", 14), read("dome", 20, incident=True))
    dome = next(each for each in answer.falls if each.id == "dome")
    assert (answer.range_stops, dome.incident, dome.lost) == (5, True, "")
    alone = exposure(
        canonical(readings=(read("dome", 12),), placement=Incident(reading="dome"), high=None)
    )
    assert (alone.camera_ev, alone.falls[0].zone, alone.range_stops) == (12, 5, 0)


@pytest.mark.parametrize(
    ("label", "subject"),
    [
        ("north sky", "blue_sky"),
        ("Grass verge", "foliage"),
        ("shaded snow", "snow_in_shade"),
        ("skylight", ""),
        ("wet slate", ""),
    ],
)
def test_subjects_by_their_names(label: str, subject: str) -> None:
    """By whole words; a mark of one's own wins."""
    assert subject_of(label, "") == subject
    assert subject_of(label, "skin") == "skin"


def test_every_colour_and_subject_is_known() -> None:
    """No shift is for a subject nobody can mark."""
    for shifts in SHIFTS.values():
        assert set(shifts) <= set(SUBJECTS)


MEASURED = Shutter(
    measured=(MeasuredSpeed(mark="1/60", seconds=1 / 48), MeasuredSpeed(mark="1", seconds=1.2))
)


def test_a_measured_shutter_is_solved_with() -> None:
    """1/60 gives 1/48: chosen where 1/48 is wanted, and the ledger says both."""
    text, seconds, means = choose_time(1 / 48, Lens(focal_length_mm=150, shutter=MEASURED))
    assert (text, seconds, means) == ("1/60", 1 / 48, "shutter")
    answer = exposure(
        canonical(
            optics=Lens(focal_length_mm=150, shutter=MEASURED),
            readings=(read("shade", 14),),
            high=None,
            filters=(),
            aperture="32",
        )
    )
    assert answer.set.text == "1/60"
    assert answer.ledger[-1].why == "marked 1/60, measured 1/48 s"
    assert answer.set.error_stops == pytest.approx(0.415 - 0.526, abs=0.01)


def test_unmeasured_marks_stay_exact() -> None:
    """Only what was tested is changed."""
    times = dict(speeds(MEASURED))
    assert (times["1/125"], times["1/60"], times["1"]) == (1 / 128, 1 / 48, 1.2)


@pytest.mark.parametrize(
    ("mark", "seconds"),
    [("1/45", 1 / 45), ("1/60", 0.2), ("1/60", 1 / 500), ("1/60", 1 / 130), ("1/125", 1 / 50)],
)
def test_measured_times_that_cannot_be(mark: str, seconds: float) -> None:
    """A mark the shutter has not, two stops off, or out of its order: refused by name."""
    with pytest.raises(Unsound) as refusal:
        speeds(Shutter(measured=(MeasuredSpeed(mark=mark, seconds=seconds),)))
    assert (refusal.value.field or "").startswith("optics.shutter.measured")


@pytest.mark.parametrize(
    ("by_hand", "text", "means"), [("B and T", "6 s", "bulb"), ("none", "1 s", "shutter")]
)
def test_without_b_or_t(by_hand: Any, text: str, means: str) -> None:
    """The slowest mark is all there is."""
    lens = Lens(focal_length_mm=150, shutter=Shutter(by_hand=by_hand))
    found = choose_time(5.76, lens)
    assert (found[0], found[2]) == (text, means)
