"""The core against general libraries from the registry and against geometry done another way."""

import warnings

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq

from emulsa.core.corrections import sharpness
from emulsa.core.corrections.light_change import remaining_s
from emulsa.core.corrections.reciprocity import (
    AdditiveLaw,
    Law,
    NoFailure,
    PowerLaw,
    TableLaw,
    corrected_s,
)
from emulsa.core.light import exposure_value, meters

with warnings.catch_warnings():
    warnings.simplefilter("ignore")  # of what it could draw and cannot here
    import colour_hdri

GIVEN_UP = 1e-4  # relative: Simpson panels of a sixteenth of a stop, kinks of a table within them


@given(st.floats(0.01, 1e5), st.floats(3, 3200), st.floats(10.6, 14))
def test_luminance_against_a_colour_package(cd_m2: float, iso: float, k: float) -> None:
    """EV from luminance as the colour-science family computes it (ISO 2720's L·S/K)."""
    theirs = float(colour_hdri.luminance_to_exposure_value(cd_m2, iso, k))
    ours = exposure_value.at_speed(meters.ev100_of_luminance(cd_m2, k), iso)
    assert ours == pytest.approx(theirs, abs=1e-9)


@given(st.floats(0.1, 1e6), st.floats(3, 3200), st.floats(240, 540))
def test_illuminance_against_a_colour_package(lx: float, iso: float, c: float) -> None:
    """EV from illuminance, E·S/C."""
    theirs = float(colour_hdri.illuminance_to_exposure_value(lx, iso, c))
    ours = exposure_value.at_speed(meters.ev100_of_illuminance(lx, c), iso)
    assert ours == pytest.approx(theirs, abs=1e-9)


@given(st.floats(1, 128), st.floats(1e-4, 1e3), st.floats(25, 800))
def test_what_a_setting_is_right_for(f_number: float, seconds: float, iso: float) -> None:
    """A camera's setting and the luminance it averages, there and back through both."""
    theirs = float(colour_hdri.average_luminance(f_number, seconds, iso, 12.5))
    ev100 = exposure_value.at_hundred(exposure_value.exposure_value(f_number, seconds), iso)
    assert meters.luminance_of(ev100, 12.5) == pytest.approx(theirs, rel=1e-9)


LAWS = st.sampled_from(
    [
        PowerLaw(exponent=1.3),
        PowerLaw(exponent=1.45, from_s=5),
        AdditiveLaw(a=0.2, b=1.5),
        NoFailure(until_s=10),
        TableLaw(rows=((1, 1.0), (10, 30.0), (100, 800.0))),
    ]
)


@given(LAWS, st.floats(0.5, 120), st.floats(-0.03, 0.03), st.floats(0.05, 1))
def test_changing_light_against_quadrature(
    law: Law, now_s: float, fading: float, left: float
) -> None:
    """∫ dT/F(t·2^(rT)) reaches what is left at the time given, by adaptive quadrature; and where
    none is given, all the light to come is too little."""

    def rate(at: float) -> float:
        return 1 / corrected_s(law, now_s * 2 ** (fading * at))

    def given_by(until: float) -> float:
        return float(quad(rate, 0, until, limit=200, epsabs=1e-12, epsrel=1e-10)[0])

    answer = remaining_s(law, left, now_s, fading)
    if answer is None:
        horizon = 40 / fading if fading > 0 else 1e6
        assert given_by(horizon) < left * (1 + GIVEN_UP)
    else:
        assert given_by(answer) == pytest.approx(left, rel=GIVEN_UP)


def test_the_time_of_a_fading_light_by_root_finding() -> None:
    """Half a stop a minute on t^1.3 from 30 s: the root of the integral."""
    law, r = PowerLaw(exponent=1.3), 0.5 / 60

    def lacking(until: float) -> float:
        return float(quad(lambda at: 1 / corrected_s(law, 30 * 2 ** (r * at)), 0, until)[0]) - 1

    assert remaining_s(law, 1, 30, r) == pytest.approx(brentq(lacking, 1, 1000), rel=1e-6)


def blur_mm(f: float, n: float, focused: float, u: float) -> float:
    """The blur circle of a point at u, by similar triangles of its cone of light."""
    film, image = f * focused / (focused - f), f * u / (u - f)
    return f / n * abs(image - film) / image


@given(st.floats(40, 450), st.floats(4, 90), st.floats(0.03, 0.3), st.floats(1_500, 60_000))
def test_depth_of_field_against_cone_geometry(f: float, n: float, c: float, u: float) -> None:
    """At the limits the cone of light cuts the film in a circle of exactly c."""
    near, far = sharpness.depth_of_field_mm(f, n, c, u)
    if near > f * 1.01:
        assert blur_mm(f, n, u, near) == pytest.approx(c, rel=1e-6)
    if far is not None:
        assert blur_mm(f, n, u, far) == pytest.approx(c, rel=1e-4)
    else:
        assert blur_mm(f, n, u, 1e12) <= c * (1 + 1e-6)
        assert u >= sharpness.hyperfocal_mm(f, n, c) * (1 - 1e-9)


@given(st.floats(40, 150), st.floats(0.2, 0.9), st.floats(2_000, 30_000))
def test_the_best_focus_blurs_both_ends_alike(f: float, ratio: float, far: float) -> None:
    """Focused at the harmonic mean, near and far points blur exactly alike."""
    near = far * ratio
    middle = sharpness.focus_between_mm(near, far)
    assert blur_mm(f, 22, middle, near) == pytest.approx(blur_mm(f, 22, middle, far), rel=1e-6)
