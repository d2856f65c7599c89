"""The sums of a picture and its print beside general packages: colour-science, scipy."""

import math
import warnings
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.ndimage import uniform_filter1d
from scipy.optimize import minimize

from emulsa.core.light.flare import FLARES, flare_text
from emulsa.core.light.srgb import decoded, encoded, level_of
from emulsa.core.picture.area import BT709
from emulsa.core.picture.response import KNOTS, LEAST_SLOPE, Observed, fitted
from emulsa.core.rendering.blur import BlurAsked, blur
from emulsa.core.rendering.paper import lightness, reflectance_of

with warnings.catch_warnings():
    warnings.simplefilter("ignore")  # that it would draw with another package
    import colour

LEVELS = [level / 255 for level in range(256)]


def test_srgb_is_that_of_colour_science() -> None:
    """IEC 61966-2-1, level by level, both ways."""
    lights = colour.models.eotf_sRGB(np.array(LEVELS))
    assert [decoded(each) for each in LEVELS] == pytest.approx(list(lights), abs=1e-12)
    back = colour.models.eotf_inverse_sRGB(np.linspace(0, 1, 1_001))
    ours = [encoded(each / 1_000) for each in range(1_001)]
    assert ours == pytest.approx(list(back), abs=1e-7)  # its two pieces meet to so much


@given(st.floats(-0.5, 1.5))
def test_a_level_is_the_one_that_is_nearest(light: float) -> None:
    held = min(max(light, 0.0), 1.0)
    assert abs(255 * encoded(held) - level_of(light)) <= 0.5 + 1e-9


def test_every_level_shows_its_own_light() -> None:
    assert [level_of(decoded(each)) for each in LEVELS] == list(range(256))


def test_luminance_is_that_of_bt_709() -> None:
    """The second row of the matrix to XYZ of ITU-R BT.709, as colour-science derives it."""
    row = colour.RGB_COLOURSPACES["ITU-R BT.709"].matrix_RGB_to_XYZ[1]
    assert list(BT709) == pytest.approx(list(row), abs=2e-4)


def test_lightness_is_that_of_the_cie() -> None:
    """CIE 1976 L*, and back."""
    shares = np.linspace(0, 1, 501)
    wanted = colour.colorimetry.lightness_CIE1976(100 * shares)
    found = [lightness(float(each)) for each in shares]
    assert found == pytest.approx(list(wanted), abs=1e-9)
    assert [reflectance_of(each) for each in found] == pytest.approx(list(shares), abs=1e-12)


PLACES = st.lists(
    st.tuples(st.floats(-7.5, 2.5), st.floats(0, 16), st.floats(0.1, 0.5)), min_size=1, max_size=6
)


@given(PLACES)
def test_slopes_are_held_as_a_general_solver_holds_them(
    read: list[tuple[float, float, float]],
) -> None:
    """The mean whose slopes are all steep enough is the minimum of the quadratic form under those
    constraints, found by scipy's SLSQP from where ours lies: it finds nothing lower."""
    points = [Observed(stops, 0.0, ev, sigma) for stops, ev, sigma in read]
    answer = fitted("curve", points, 0.0, None)
    precision = np.linalg.inv(np.array(answer.covariance))
    free = np.array(answer.free)

    def away(x: np.ndarray) -> float:
        return float((x - free) @ precision @ (x - free))

    ours = np.array(answer.mean)
    assert all(b - a >= LEAST_SLOPE - 1e-6 for a, b in pairwise(ours))
    steep = [
        {"type": "ineq", "fun": lambda x, k=k: x[k + 1] - x[k] - LEAST_SLOPE}
        for k in range(len(KNOTS) - 1)
    ]
    scale = 1 + away(ours)
    found = minimize(
        lambda x: away(x) / scale,
        ours,
        jac=lambda x: 2 * precision @ (x - free) / scale,
        constraints=steep,
        method="SLSQP",
        options={"maxiter": 60},
    )
    if min(b - a for a, b in pairwise(found.x)) >= LEAST_SLOPE - 1e-9:
        assert away(ours) <= away(found.x) + 1e-4 * scale


@pytest.mark.parametrize("hole_mm", [0.3, 0.6, 1.2])
@pytest.mark.parametrize("width", [900, 2_400])
def test_three_boxes_spread_as_the_hole_does(hole_mm: float, width: int) -> None:
    """A point through scipy's running means has the standard deviation that is told, as nearly as
    odd boxes can."""
    found = blur(
        BlurAsked(diameter_mm=hole_mm, distance_mm=90, format_width_mm=95, picture_width=width)
    )
    point = np.zeros(601)
    point[300] = 1.0
    for box in found.boxes:
        point = uniform_filter1d(point, box)
    at = np.arange(-300, 301)
    spread = math.sqrt(float((point * at**2).sum()))
    assert spread == pytest.approx(found.sigma, abs=0.5)


def test_flare_is_offered_in_the_words_it_is_told_in() -> None:
    """What can be chosen begins with what is said of it beside the print."""
    for share, words in FLARES.items():
        told = flare_text(float(share))
        assert words.startswith(told.removeprefix("flare ").removeprefix("no flare") or "none")
    assert (flare_text(0.015), flare_text(0.03)) == ("flare 1½ %", "flare 3 %")
