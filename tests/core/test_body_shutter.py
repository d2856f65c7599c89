"""A shutter in the camera's body is every lens's; from which time a lens is held by hand."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.bench.checks import MarkReadings, check_shutter, measured_body, measured_lens
from emulsa.core.corrections.optics import Lens, Pinhole, Shutter, speeds
from emulsa.core.errors import CoreError
from emulsa.core.kit.bag import Camera, KitLens, in_front
from emulsa.core.kit.view import by_hand_s, by_hand_text

LENS = KitLens(id="l", name="80", optics=Lens(focal_length_mm=80, widest="2.8", smallest="22"))
BODY = Shutter(fastest="1/1000", slowest="1/2")
CAMERA = Camera(id="c", name="Box", format_mm=(56, 56), shutter=BODY)


def test_a_lens_goes_by_the_shutter_in_the_body() -> None:
    """In front of a camera that has one; else by its own."""
    assert in_front(LENS, CAMERA).optics.shutter == BODY
    assert replace(in_front(LENS, CAMERA).optics, shutter=LENS.optics.shutter) == LENS.optics
    assert in_front(LENS, replace(CAMERA, shutter=None)) == in_front(LENS, None) == LENS


def test_it_is_measured_once_for_all() -> None:
    """The means go to the camera, as a lens's own go to the lens, mark for mark."""
    marks = (MarkReadings(mark="1/60", seconds=(0.02, 0.02)),)
    found = check_shutter(BODY, marks)
    body = measured_body(CAMERA, BODY, found).shutter
    assert body is not None
    assert dict(speeds(body))["1/60"] == pytest.approx(0.02)
    own = measured_lens(in_front(LENS, CAMERA), found)
    assert own.optics.shutter == body


def test_a_body_with_no_times_is_refused() -> None:
    with pytest.raises(CoreError):
        replace(CAMERA, shutter=replace(BODY, fastest="1/2", slowest="1/1000"))


@pytest.mark.parametrize(
    ("focal", "format_mm", "factor", "says"),
    [
        (50, (36, 24), 1, "by hand from 1/60"),
        (80, (56, 56), 1, "by hand from 1/60"),
        (80, (56, 56), 2, "by hand from 1/125"),
        (150, (120, 95), 1, "by hand from 1/60"),
        (1_000, (36, 24), 2, "not by hand"),
    ],
)
def test_from_which_time_a_lens_is_held(
    focal: float, format_mm: tuple[float, float], factor: float, says: str
) -> None:
    """One over the focal length on 24 × 36, by the format's diagonal elsewhere (common practice,
    no source); a sixth of a stop is no shake."""
    assert by_hand_text(Lens(focal_length_mm=focal), format_mm, factor) == says


@given(st.floats(10, 1_000), st.floats(0.5, 8))
def test_longer_lenses_and_shakier_hands_need_shorter_times(focal: float, factor: float) -> None:
    """In proportion; and as much longer as the format is larger."""
    small = by_hand_s(focal, (36, 24), factor)
    assert small == pytest.approx(1 / (focal * factor))
    assert by_hand_s(2 * focal, (36, 24), factor) == pytest.approx(small / 2)
    assert by_hand_s(focal, (72, 48), factor) == pytest.approx(2 * small)


def test_a_pinhole_is_never_held() -> None:
    assert by_hand_text(Pinhole(diameter_mm=0.3, distance_mm=75), (56, 56), 1) == ""
