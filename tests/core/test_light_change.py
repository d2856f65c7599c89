"""Light that changes while the shutter is open: laws of the sum, and what is never promised."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.light_change import (
    Interval,
    LightChangeRequest,
    light_change,
    progress,
)
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw, corrected_s
from emulsa.core.errors import CoreError
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.meters import EvReading
from emulsa.core.line import grammar
from emulsa.core.scene.relight import Relit, RelitAnswer, relit
from emulsa.core.tones.placement import Average
from tests.core.requests import canonical

exponents = st.floats(1, 1.6)
times = st.floats(0.5, 300)
parts = st.lists(st.tuples(times, st.floats(0.1, 60)), min_size=1, max_size=6)


def intervals(rows: list[tuple[float, float]]) -> tuple[Interval, ...]:
    return tuple(Interval(metered_s=t, elapsed_s=elapsed) for t, elapsed in rows)


@given(exponents, parts)
def test_order_does_not_matter(p: float, rows: list[tuple[float, float]]) -> None:
    """The film adds up; what came first is not weighed differently."""
    law = PowerLaw(exponent=p)
    assert progress(law, intervals(rows)) == pytest.approx(progress(law, intervals(rows[::-1])))


@given(exponents, times, st.floats(0.1, 60), st.floats(0.1, 0.9))
def test_a_pause_costs_nothing(p: float, t: float, elapsed: float, part: float) -> None:
    """An interval cut in two gives as much as the whole."""
    law = PowerLaw(exponent=p)
    cut = [(t, elapsed * part), (t, elapsed * (1 - part))]
    assert progress(law, intervals(cut)) == pytest.approx(progress(law, intervals([(t, elapsed)])))


@given(exponents, times)
def test_steady_light_takes_the_law_s_own_time(p: float, t: float) -> None:
    """Nothing given yet: what is left is F(t); after F(t) nothing is."""
    law = PowerLaw(exponent=p)
    whole = corrected_s(law, t)
    fresh = light_change(LightChangeRequest(law=law, now_metered_s=t))
    assert fresh.remaining_s == pytest.approx(whole)
    assert fresh.error_stops_if_stopped is None
    done = light_change(
        LightChangeRequest(law=law, intervals=intervals([(t, whole)]), now_metered_s=t)
    )
    assert done.progress == pytest.approx(1)
    assert done.remaining_s == pytest.approx(0, abs=1e-9 * whole)
    assert done.error_stops_if_stopped == pytest.approx(0, abs=1e-9)


@given(times, st.floats(0.01, 5))
def test_rising_light_is_sooner_and_always_completes(t: float, rising: float) -> None:
    """Light that rises needs less than steady light, light that fades more or never."""
    law = PowerLaw(exponent=1.3)
    steady = corrected_s(law, t)
    brighter = light_change(
        LightChangeRequest(law=law, now_metered_s=t, fading_stops_per_min=-rising)
    )
    assert brighter.remaining_s is not None
    assert brighter.remaining_s < steady
    darker = light_change(LightChangeRequest(law=law, now_metered_s=t, fading_stops_per_min=rising))
    assert darker.never == (darker.remaining_s is None)
    if darker.remaining_s is not None:
        assert darker.remaining_s > steady


def test_never_is_said_and_no_number_given() -> None:
    """A stop a minute from 60 s on t^1.3: all the light to come is too little."""
    answer = light_change(
        LightChangeRequest(law=PowerLaw(exponent=1.3), now_metered_s=60, fading_stops_per_min=1)
    )
    assert (answer.never, answer.remaining_s) == (True, None)


def test_too_much_is_an_error_and_not_a_negative_time() -> None:
    """Open twice as long as needed without reciprocity: one stop over, nothing left."""
    answer = light_change(
        LightChangeRequest(
            law=NoFailure(until_s=100), intervals=intervals([(10, 20)]), now_metered_s=10
        )
    )
    assert (answer.progress, answer.remaining_s) == (2, 0)
    assert answer.error_stops_if_stopped == pytest.approx(1)


def relit_by(request: ExposureRequest, changed: Relit) -> RelitAnswer:
    """As the service does it: the text read by the line's grammar, then what it means."""
    word = grammar.reading(changed.text)
    return relit(request, changed, word.reading, word.through)


class TestRelit:
    """A reading typed while the shutter is open."""

    request = canonical(law=PowerLaw(exponent=1.3))

    def test_a_stop_less_light_doubles_the_metered_time(self) -> None:
        """Of the placed thing: EV 9 before, 8 now."""
        planned = exposure(self.request).metered_s
        answer = relit_by(self.request, Relit(text="8"))
        assert answer.now_metered_s == pytest.approx(2 * planned)
        assert answer.says == "EV 8: −1 stop of light"
        assert answer.going_on is None

    def test_what_was_given_counts(self) -> None:
        """Half of it on the film: half of the new time is left."""
        planned = exposure(self.request).metered_s
        half = corrected_s(self.request.law, planned) / 2
        given_ = (Interval(metered_s=planned, elapsed_s=half),)
        answer = relit_by(self.request, Relit(text="8", intervals=given_))
        assert answer.steady.progress == pytest.approx(0.5)
        left = corrected_s(self.request.law, 2 * planned) / 2
        assert answer.steady.remaining_s == pytest.approx(left)
        assert answer.text.startswith("50 % is on the film")

    def test_fading_on_may_never_complete(self) -> None:
        """A stop lost, then another in six seconds: what is left if it stays comes first, that it
        never completes second, with the error of stopping now. One change alone is a cloud."""
        planned = exposure(self.request).metered_s
        once = (Interval(metered_s=planned, elapsed_s=6),)
        cloud = relit_by(self.request, Relit(text="7", intervals=once))
        assert cloud.going_on is None
        assert cloud.text.endswith("more if the light stays like this.")
        given_ = (*once, Interval(metered_s=2 * planned, elapsed_s=6))
        answer = relit_by(self.request, Relit(text="7", intervals=given_))
        assert answer.going_on is not None
        assert answer.text.index("stays like this") < answer.text.index("never complete")
        assert answer.going_on.never
        assert "never complete" in answer.text
        assert "Stopped now" in answer.text

    def test_done_is_said(self) -> None:
        """More than enough in brighter light."""
        given_ = (Interval(metered_s=1, elapsed_s=60),)
        assert (
            "close the shutter" in relit_by(self.request, Relit(text="10", intervals=given_)).text
        )

    def test_a_share_and_a_frame_have_their_own_time(self) -> None:
        """Half of the light, one stop over in a bracket: the plan's own time; half of one scene's
        time is half of what the whole takes."""
        planned = exposure(self.request).metered_s
        answer = relit_by(self.request, Relit(text="9", share=0.5, share_of="scenes", stops=1))
        assert answer.now_metered_s == pytest.approx(planned)
        part = relit_by(self.request, Relit(text="9", share=0.5))
        whole = relit_by(self.request, Relit(text="9"))
        assert part.steady.steady_remaining_s == pytest.approx(whole.steady.steady_remaining_s / 2)

    def test_through_the_filter_when_the_first_was(self) -> None:
        """Read as the placed reading was read; three stops of red are given back."""
        readings = tuple(
            type(each)(id=each.id, label=each.label, reading=EvReading(ev=6), through=True)
            if each.id == "shade"
            else each
            for each in self.request.readings
        )
        request = canonical(readings=readings)
        assert relit_by(request, Relit(text="6")).now_metered_s == pytest.approx(
            exposure(request).metered_s
        )

    def test_an_average_is_read_again_at_its_low_end(self) -> None:
        """Schools that use two readings follow the darker."""
        request = canonical(placement=Average(low="shade", high="frost"))
        assert relit_by(request, Relit(text="9")).now_metered_s == pytest.approx(
            exposure(request).metered_s
        )

    @pytest.mark.parametrize("text", ["f/32", "hello", "500"])
    def test_what_is_no_reading_is_asked(self, text: str) -> None:
        """Only a reading can say what the light does."""
        with pytest.raises(CoreError) as refusal:
            relit_by(self.request, Relit(text=text))
        assert refusal.value.field == "text"
