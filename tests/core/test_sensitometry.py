"""Curves, films side by side, scans and learning: their laws, and numpy and scipy beside them."""

import math
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator
from scipy.optimize import brentq
from scipy.stats import norm

from emulsa.core import wire
from emulsa.core.errors import CoreError
from emulsa.core.sensitometry import belief
from emulsa.core.sensitometry.compare import CompareRequest, compare_films
from emulsa.core.sensitometry.curve import STOP, Curve, DensityStep, Drawn, LuxSeconds
from emulsa.core.sensitometry.figures import steepest
from emulsa.core.sensitometry.film_test import FilmTestRequest, film_test
from emulsa.core.sensitometry.learned import LearnRequest
from emulsa.core.sensitometry.learning import learn
from emulsa.core.sensitometry.scanning import ScanRequest, scan_density
from emulsa.core.sensitometry.speeds import SERIES, rounded
from emulsa.core.straight import straight

Json = dict[str, Any]


def film(slope: float = 0.65, speed: float = -2.4, fog: float = 0.2, **more: Any) -> Json:
    """A film after the usual formula: a straight line with a soft toe, 31 steps of 0.15."""

    def density(x: float) -> float:
        return fog + slope * 0.18 * math.log1p(math.exp((x - speed) / 0.18))

    steps = [
        {"log_h": -4 + 0.15 * step, "density": round(density(-4 + 0.15 * step), 6)}
        for step in range(31)
    ]
    return {
        "id": "a",
        "base_fog": fog,
        "exposure": {"kind": "lux_seconds"},
        "steps": steps,
    } | more


def figures(*curves: Json, **more: Any) -> Any:
    return film_test(wire.decode(FilmTestRequest, {"curves": list(curves), **more}))


def drawn(curve: Json) -> Drawn:
    return Drawn(wire.decode(Curve, curve), "curves.0")


rises = st.lists(st.floats(0.001, 0.4), min_size=6, max_size=24)
gaps = st.floats(0.02, 0.5)


@given(rises, st.data())
def test_between_steps_it_is_the_monotone_cubic(up: list[float], data: st.DataObject) -> None:
    """As scipy's PCHIP draws it (Fritsch & Butland), at every step and between."""
    x = np.cumsum([data.draw(gaps) for _ in up])
    y = 0.2 + np.cumsum(up)
    y = np.minimum(y, 5.9)
    steps = [{"log_h": float(a) - 6, "density": float(b)} for a, b in zip(x, y, strict=True)]
    curve = drawn({**film(), "steps": steps})
    at = np.linspace(x[0], x[-1], 101)
    ours = [curve.density(each - 6) for each in at]
    assert ours == pytest.approx(PchipInterpolator(x, y)(at), abs=1e-9)
    assert all(b >= a - 1e-12 for a, b in pairwise(ours))


@given(st.floats(0.4, 1.2), st.floats(-3, -2))
def test_the_figures_of_a_curve_by_other_means(slope: float, speed: float) -> None:
    """Speed point by Brent's method, gamma by a fine search, bumpiness by least squares."""
    request = film(slope, speed)
    curve, (answer,) = drawn(request), figures(request).curves
    x = np.array([step["log_h"] for step in request["steps"]])
    spline = PchipInterpolator(x, [step["density"] for step in request["steps"]])
    point = brentq(lambda at: spline(at) - 0.3, x[0], x[-1])
    assert answer.speed_log_h == pytest.approx(point, abs=1e-9)
    assert answer.ei == pytest.approx(0.8 / 10**point)
    starts = np.linspace(x[0], x[-1] - 0.6, 4_001)
    steep = steepest(curve)
    assert steep is not None
    best = float(np.max((spline(starts + 0.6) - spline(starts)) / 0.6))
    assert best - 1e-9 <= steep[0] <= best + 1e-5
    if answer.bumpiness is not None:
        even = np.linspace(point + 0.3, point + 1.8, 61)
        line = np.polyval(np.polyfit(even, spline(even), 1), even)
        expected = float(np.sqrt(np.mean((spline(even) - line) ** 2)))
        assert answer.bumpiness == pytest.approx(expected, abs=1e-6)


def test_the_steepest_window_may_lie_in_the_last_stretch() -> None:
    """Between the last place where it changes its cubic and its end; checked by a fine search."""
    x, densities = (0.0, 0.3, 0.6, 0.8, 1.3), (0.1, 0.5, 0.52, 0.92, 1.12)
    steps = tuple(DensityStep(density=d, log_h=at) for d, at in zip(densities, x, strict=True))
    light = LuxSeconds(kind="lux_seconds")
    curve = Drawn(Curve(id="c", minutes=8, base_fog=0.05, exposure=light, steps=steps), "c")
    spline = PchipInterpolator(x, densities)
    starts = np.linspace(0, 0.7, 7_001)
    rises = (spline(starts + 0.6) - spline(starts)) / 0.6
    steep = steepest(curve)
    assert steep is not None
    assert steep[0] == pytest.approx(float(rises.max()), abs=1e-6)
    assert steep[1] == pytest.approx(float(starts[rises.argmax()]), abs=1e-3)


@given(st.floats(-1, 1), st.floats(0, 0.4))
def test_light_shifts_speed_and_fog_shifts_nothing(shift: float, fog: float) -> None:
    """All exposures moved: the index moves, no slope does. Fog added: no net figure changes."""
    (plain,) = figures(film()).curves
    moved = film()
    for step in moved["steps"]:
        step["log_h"] += shift
    (other,) = figures(moved).curves
    assert other.ei == pytest.approx(plain.ei / 10**shift, rel=1e-9)
    fogged = film(base_fog=0.2 + fog)
    for step in fogged["steps"]:
        step["density"] += fog
    (foggy,) = figures(fogged).curves
    assert foggy.ei == pytest.approx(plain.ei, rel=1e-9)
    for each in (other, foggy):
        for name in ("gamma", "average_gradient", "range_stops", "bumpiness", "contrast_index"):
            assert getattr(each, name) == pytest.approx(getattr(plain, name), abs=1e-8), name


@given(st.floats(1.05, 1.6))
def test_slopes_scale_gradients(factor: float) -> None:
    """Every net density times a factor: average gradient about the new speed point follows the
    curve's own; gamma is exactly so much steeper."""
    (plain,) = figures(film()).curves
    steeper = film()
    for step in steeper["steps"]:
        step["density"] = 0.2 + (step["density"] - 0.2) * factor
    (other,) = figures(steeper).curves
    assert other.gamma == pytest.approx(plain.gamma * factor, rel=1e-9)
    assert other.ei >= plain.ei


def family() -> list[Json]:
    return [
        film(0.45 + 0.07 * k, -2.4 - 0.02 * k, id=f"{5 + 2 * k} min", minutes=5 + 2 * k)
        for k in range(4)
    ]


def test_a_ladder_between_the_tested_times() -> None:
    """Minutes rise with N, every half step inside, one beyond on either side, flagged."""
    answer = figures(*family())
    rungs = answer.n_ladder
    assert [each.n for each in rungs] == sorted(each.n for each in rungs)
    assert all(b.minutes > a.minutes for a, b in pairwise(rungs))
    assert [each.extrapolated for each in rungs][1:-1] == [False] * (len(rungs) - 2)
    inside = [each for each in rungs if not each.extrapolated]
    tested_n = sorted(each.n for each in answer.curves if each.n is not None)
    assert all(tested_n[0] - 1e-9 <= each.n <= tested_n[-1] + 1e-9 for each in inside)
    alone = figures(family()[0])
    assert alone.n_ladder == ()
    assert [each.code for each in alone.advice] == ["no-ladder"]


TRIPS: list[tuple[str, Any, str]] = [
    ("four steps", lambda c: c["steps"].__delitem__(slice(4, None)), "curves.0.steps"),
    ("turned", lambda c: [s.update(log_h=-s["log_h"]) for s in c["steps"]], "curves.0.steps.29"),
    ("one fell", lambda c: c["steps"][20].update(density=0.3), "curves.0.steps.20"),
    ("fog too high", lambda c: c.update(base_fog=0.24), "curves.0.base_fog"),
    ("never so dense", lambda c: [s.update(density=0.21) for s in c["steps"]], "curves.0.steps"),
    ("always denser", lambda c: c["steps"].__delitem__(slice(0, 14)), "curves.0.steps"),
    ("no exposure", lambda c: c["steps"][3].pop("log_h"), "curves.0.steps.3"),
    ("both exposures", lambda c: c["steps"][3].update(stops=1), "curves.0.steps.3"),
]


@pytest.mark.parametrize(
    ("harm", "field"), [(h, f) for _, h, f in TRIPS], ids=[n for n, *_ in TRIPS]
)
def test_data_no_film_gives(harm: Any, field: str) -> None:
    """Refused by name; turned densities are recognised as that."""
    curve = film()
    harm(curve)
    with pytest.raises(CoreError) as refused:
        figures(curve)
    assert refused.value.field == field
    if field.endswith(".29"):
        assert "turn them" in refused.value.message


@given(st.floats(0.4, 1.0), st.floats(-2.9, -2.1), st.floats(0.05, 0.4))
def test_a_film_beside_itself_and_the_other_way_round(
    slope: float, speed: float, fog: float
) -> None:
    """Nothing differs from itself; exchanged, every sign turns."""
    one, other = film(), film(slope, speed, fog, id="b")

    def compared(reference: Json, beside: Json) -> Any:
        request = {"reference": reference, "others": [beside]}
        return compare_films(wire.decode(CompareRequest, request)).others[0]

    same = compared(one, {**one, "id": "same"})
    assert (same.speed_stops, same.base_fog_difference) == (0, 0)
    assert (same.gradient_ratio, same.n_difference) == (1, 0)
    there, back = compared(one, other), compared(other, one)
    assert there.speed_stops == pytest.approx(-back.speed_stops, abs=1e-9)
    assert there.base_fog_difference == pytest.approx(-back.base_fog_difference)
    if there.gradient_span == back.gradient_span:
        assert there.gradient_ratio * back.gradient_ratio == pytest.approx(1)


@given(st.lists(st.floats(0.05, 2.4), min_size=1, max_size=6), st.floats(1.2, 1e5))
def test_a_scan_gives_back_the_densities_it_was_made_of(
    densities: list[float], white: float
) -> None:
    """Over clear film, over a wedge, and at any scale of levels."""
    samples = [
        {"id": str(place), "level": white * 0.9 * 10**-each} for place, each in enumerate(densities)
    ]
    base = {"encoding": "linear", "white": white, "samples": samples}
    wedge = [{"level": white * 0.9 * 10**-d, "density": d} for d in (0, 0.6, 1.2, 2.5)]
    for more in ({"clear_level": white * 0.9}, {"wedge": wedge}):
        found = scan_density(wire.decode(ScanRequest, {**base, **more})).samples
        assert [each.density for each in found] == pytest.approx(densities, abs=1e-9)


seen = st.fixed_dictionaries(
    {"given_error_stops": st.sampled_from([-1.0, -0.33, 0.0, 0.5, 1.0])},
    optional={
        "shadow": st.sampled_from(["none", "thin", "full"]),
        "highlight": st.sampled_from(["flat", "full", "blocked"]),
        "shadow_error_stops": st.floats(-1.5, 1.5),
        "highlight_error_zones": st.floats(-1.5, 1.5),
    },
)


def learned(negatives: list[Json], **more: Any) -> Any:
    named = [{"id": str(place), **each} for place, each in enumerate(negatives)]
    points = [{"n": -1, "minutes": 6}, {"n": 0, "minutes": 8}, {"n": 1, "minutes": 11}]
    request = {"ei": 100, "minutes_per_n": points, "negatives": named, **more}
    return learn(wire.decode(LearnRequest, request))


def by_numpy(negatives: list[Json]) -> tuple[float, float, float, float]:
    """The same rule written out over the whole grid with numpy and scipy."""
    s = np.arange(-4, 4.0001, 0.02)[:, None]
    c = np.arange(-4, 4.0001, 0.02)[None, :]
    log = norm.logpdf(s, 0, 2 / 3) + norm.logpdf(c, 0, 0.75)
    for each in negatives:
        g = each["given_error_stops"]
        if "shadow_error_stops" in each:
            log = log + norm.logpdf(each["shadow_error_stops"], g - s, 0.15)
        elif "shadow" in each:
            low, high = belief.SHADOWS[each["shadow"]]
            log = log + np.log(
                np.maximum(norm.cdf((high - g + s) / 0.5) - norm.cdf((low - g + s) / 0.5), 1e-300)
            )
        if "highlight_error_zones" in each:
            log = log + norm.logpdf(each["highlight_error_zones"], c + g - s, 0.2)
        elif "highlight" in each:
            low, high = belief.HIGHLIGHTS[each["highlight"]]
            log = log + np.log(
                np.maximum(
                    norm.cdf((high - g + s - c) / 0.5) - norm.cdf((low - g + s - c) / 0.5), 1e-300
                )
            )
    weight = np.exp(log - log.max())
    weight /= weight.sum()
    s_mean, c_mean = float((weight * s).sum()), float((weight * c).sum())
    s_sd = math.sqrt(float((weight * (s - s_mean) ** 2).sum()))
    c_sd = math.sqrt(float((weight * (c - c_mean) ** 2).sum()))
    return s_mean, s_sd, c_mean, c_sd


@settings(max_examples=40, deadline=None)
@given(st.lists(seen, max_size=7))
def test_learning_is_bayes_rule(negatives: list[Json]) -> None:
    """Mean and spread of both unknowns as the whole grid gives them; the order does not matter,
    and evidence never makes less sure than the prior by more than the eye wanders."""
    answer = learned(negatives)
    ours = (
        answer.speed.mean,
        answer.speed.sd,
        answer.development.mean,
        answer.development.sd,
    )
    assert ours == pytest.approx(by_numpy(negatives), abs=2e-3)
    turned = learned(negatives[::-1])
    assert turned.speed.mean == pytest.approx(answer.speed.mean, abs=1e-9)
    assert turned.development.mean == pytest.approx(answer.development.mean, abs=1e-9)


def test_without_negatives_it_is_the_prior() -> None:
    """And the minutes are the recipe's own."""
    answer = learned([])
    assert (answer.speed.mean, answer.development.mean) == pytest.approx((0, 0), abs=1e-9)
    assert answer.speed.sd == pytest.approx(2 / 3, abs=2e-3)
    assert [each.minutes for each in answer.development.minutes] == pytest.approx([6, 8, 11])
    assert not answer.speed.enough
    assert "No judged" in answer.speed.sentence


@given(st.floats(1, 20_000))
def test_indices_are_of_the_series(ei: float) -> None:
    """Never more than a sixth of a stop from what it stands for (and what rounding costs)."""
    said = rounded(ei)
    assert abs(math.log2(said / ei)) < 0.19
    assert any(abs(said / 10**k - each) < 1e-9 for k in range(-4, 4) for each in SERIES)
    assert pytest.approx(math.log10(2)) == STOP


@given(
    st.lists(st.integers(0, 400), min_size=2, max_size=9, unique=True).map(sorted),
    st.data(),
)
def test_straight_between_points(at: list[int], data: st.DataObject) -> None:
    """numpy.interp within the points; beyond them the outermost two go on."""
    y = [data.draw(st.floats(-4, 4)) for _ in at]
    points = list(zip(map(float, at), y, strict=True))
    inside = data.draw(st.floats(at[0], at[-1]))
    assert straight(points, inside) == pytest.approx(np.interp(inside, at, y), abs=1e-9)
    for one, two, x in ((0, 1, at[0] - 7.0), (-2, -1, at[-1] + 7.0)):
        slope, own = np.polyfit([at[one], at[two]], [y[one], y[two]], 1)
        assert straight(points, x) == pytest.approx(slope * x + own, abs=1e-6)
