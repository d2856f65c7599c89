"""Every published value of the areas built so far, against the core; each row names its source."""

import json
import math
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from emulsa.core.corrections import (
    aperture_choice,
    bellows,
    filters,
    light_change,
    movement,
    pinhole,
    reciprocity,
    sharpness,
)
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.light_change import Interval
from emulsa.core.corrections.reciprocity import AdditiveLaw, PowerLaw, TableLaw
from emulsa.core.data import contrast
from emulsa.core.data.development import ROTARY
from emulsa.core.development import recipes, temperature, thumb
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.light import exposure_value, film_speed, marks, meters, units
from emulsa.core.tones import development_number, placement, zones
from tests.handbook import darkroom_values

ROWS = json.loads((Path(__file__).parent / "check_values.json").read_text(encoding="utf-8"))


def _speed_text(seconds: float) -> str:
    """How a marked time is engraved: as a fraction when it is one, else as it stands."""
    lower = 1 / seconds
    whole = lower > 1.5 and abs(lower - round(lower)) < 1e-4 * lower
    return f"1/{round(lower)}" if whole else f"{seconds:g}"


def _ev_text(text: str) -> tuple[float, float]:
    """The canonical and the literal EV of ``1/60 f/11``."""
    time, aperture = text.replace("s ", " ").split()
    canonical = exposure_value.exposure_value(marks.f_number(aperture), marks.seconds(time))
    number = marks.literal_seconds(time)
    assert number is not None
    literal = exposure_value.exposure_value(float(aperture.removeprefix("f/")), number)
    return canonical, literal


def aperture_series(series: str, marked: list[float]) -> dict[str, list[float]]:
    scale = dict(marks.aperture_scale(series))
    exact = [scale[f"{each:g}"] for each in marked]
    errors = [2 * math.log2(each / true) for each, true in zip(marked, exact, strict=True)]
    return {"exact": exact, "err_stops": errors}


def shutter_series(series: str, exact: list[float], marked: list[float]) -> list[float]:
    half = "half" if series == "half" else "full"
    true = [marks.time_marks(half)[_speed_text(each)] for each in marked]
    assert true == pytest.approx(exact, rel=1e-9)
    return [math.log2(a / b) for a, b in zip(true, marked, strict=True)]


def factor(m: float, pupil: float = 1.0) -> dict[str, float]:
    lens = bellows.factor(m, pupil)
    return {"m": m, "factor": lens, "stops": filters.factor_to_stops(lens)}


def pupil_factor(m: float, P: float) -> dict[str, float]:
    ignored = filters.factor_to_stops(bellows.factor(m, P) / bellows.factor(m))
    return {**factor(m, P), "error_if_P_ignored": ignored}


def corner(w: float, h: float, f: float) -> dict[str, float]:
    answer = pinhole.pinhole(
        pinhole.PinholeRequest(diameter_mm=0.3, distance_mm=f, format_mm=(w, h))
    )
    return {
        "theta_deg": answer.corner_angle_deg,
        "corner_stops": answer.corner_stops,
        "edge_long_stops": answer.edge_stops,
        "aov_long_deg": answer.long_side_angle_deg,
        "aov_diag_deg": answer.angle_deg,
    }


AUTHORS = {
    "petzval": "petzval",
    "airy_equals_hole": "airy",
    "rayleigh_1p9": "rayleigh",
    "rayleigh_exact": "rayleigh_exact",
    "one_fresnel_zone": "fresnel",
}


def optimum(f: float, lam_nm: float) -> dict[str, dict[str, float]]:
    request = pinhole.PinholeRequest(diameter_mm=0.3, distance_mm=f, wavelength_nm=lam_nm)
    best = pinhole.pinhole(request).optimum_mm
    diameters = {theirs: best[ours] for theirs, ours in AUTHORS.items()}
    return {"d": diameters, "N": {each: f / d for each, d in diameters.items()}}


def close_pinhole(u: float, v: float, c: float, lam_nm: float) -> dict[str, float]:
    effective = pinhole.effective_distance_mm(v, u)
    diameter = pinhole.optimum_mm(effective, c, lam_nm)
    return {"f_eff": effective, "d": diameter, "N": pinhole.pinhole_f_number(v, diameter)}


def convert(N1: float, t1: float, N2: float) -> dict[str, float]:
    multiplied = pinhole.converted_s(1, N1, N2)
    return {
        "literal_factor": multiplied,
        "literal_t": pinhole.converted_s(t1, N1, N2),
        "stops": filters.factor_to_stops(multiplied),
    }


def convert_canonical() -> dict[str, float]:
    multiplied = pinhole.converted_s(1, marks.f_number("f/22"), 138)
    return {"factor": multiplied, "stops": filters.factor_to_stops(multiplied)}


def power(t: float, p: float, t0: float = 1) -> dict[str, float]:
    time = reciprocity.corrected_s(PowerLaw(exponent=p, from_s=t0), t)
    return {"T": time, "time_stops": math.log2(time / t)}


def additive(t: float, a: float, b: float) -> dict[str, float]:
    time = reciprocity.corrected_s(AdditiveLaw(a=a, b=b), t)
    return {"T": time, "stops": math.log2(time / t)}


HANDBOOK = TableLaw(rows=((0.1, 0.1), (1, 2), (10, 50), (100, 1200)))


def table_extrapolated(table: list[list[float]], t: float) -> dict[str, float]:
    law = TableLaw(rows=tuple(map(tuple, table)))
    assert reciprocity.extrapolated(law, t), "the row says: must be flagged"
    (x0, y0), (x1, y1) = table[-2:]
    return {
        "slope": math.log(y1 / y0) / math.log(x1 / x0),
        "T": reciprocity.corrected_s(law, t),
    }


def aperture_route(t: float, p: float) -> dict[str, float]:
    law = PowerLaw(exponent=p)
    return {
        "aperture_stops": -reciprocity.true_error_stops(law, t, t),
        "time_stops": math.log2(reciprocity.corrected_s(law, t) / t),
    }


def order(t: float, filter: float, bellows: float, p: float) -> dict[str, float]:  # noqa: A002
    law = PowerLaw(exponent=p)
    indicated = t * filter * bellows
    wrong = reciprocity.corrected_s(law, t) * filter * bellows
    return {
        "indicated": indicated,
        "right": reciprocity.corrected_s(law, indicated),
        "wrong_recip_first": wrong,
        "error_stops": reciprocity.true_error_stops(law, indicated, wrong),
    }


def bracket(t: float, p: float, stops: list[float]) -> list[float]:
    return [reciprocity.corrected_s(PowerLaw(exponent=p), t * 2**step) for step in stops]


def fraction_to_stops(fraction: float, p: float) -> float:
    law, t = PowerLaw(exponent=p), 100.0
    return reciprocity.true_error_stops(law, t, reciprocity.corrected_s(law, t) * fraction)


def handbook_table() -> list[float]:
    law = reciprocity.StopsLaw(
        rows=(
            (1e-5, 1, 1.2),
            (1e-4, 0.5, 1.15),
            (1e-3, 0, 1.1),
            (1e-2, 0, 1.0),
            (1e-1, 0, 1.0),
        )
    )
    times = TableLaw(rows=((0.1, 0.1, 1.0), (1, 2, 0.9), (10, 50, 0.8), (100, 1200, 0.7)))
    short = [(row[0], law) for row in law.rows]
    return [
        round(100 * (reciprocity.development_change(each, t) - 1), 9)
        for t, each in [*short, *((row[0], times) for row in times.rows[1:])]
    ]


def place(ev: float, zone: float) -> dict[str, float]:
    at = placement.camera_ev(ev, zone)
    return {"ev_set": at, "multiplier": 2 ** (ev - at)}


def n_number(low: float, zone_low: float, high: float, zone_target: float) -> dict[str, float]:
    falls = placement.fall(high, low, zone_low)
    return {"falls": falls, "N": development_number.development_number(zone_target, falls)}


def reflected(low: float, high: float) -> dict[str, float]:
    stops = high - low
    return {"stops": stops, "ratio": 2**stops, "logrange": stops * math.log10(2)}


def incident(low: float, high: float) -> dict[str, float]:
    stops = placement.pair_range(low, high)
    return {
        "SBR": stops,
        "N_if_normal_is_7": development_number.NORMAL_INCIDENT_RANGE - stops,
        "G_at_DR_1p05_noflare": development_number.average_gradient(1.05, stops),
    }


def schools(**scene: float) -> dict[str, float]:
    levels = {name: scene[name] for name in ("shadow", "mid", "highlight")}
    levels |= {"low": scene["inc_low"], "high": scene["inc_high"]}

    def setting(school: placement.Placement) -> float:
        return placement.camera_ev(*placement.anchor(school, levels))

    def placed(reading: str, zone: float) -> float:
        return setting(placement.Placed(school="shadow", reading=reading, zone=zone))

    return {
        "shadow_on_III": placed("shadow", 3),
        "shadow_on_IV": placed("shadow", 4),
        "mid_on_V": placed("mid", 5),
        "highlight_on_VII": placed("highlight", 7),
        "highlight_on_VIII": placed("highlight", 8),
        "mean_EV_of_extremes": setting(placement.Average(low="shadow", high="highlight")),
        "log2_mean_luminance": math.log2((2 ** scene["shadow"] + 2 ** scene["highlight"]) / 2),
        "incident_mean": setting(placement.Average(low="low", high="high")),
        "incident_shadow_at_2xEI": setting(placement.IncidentPair(low="low", high="high")),
    }


def k_equivalents(k: float) -> dict[str, float]:
    gas_constant, kelvin = 8.31446, 293.15
    return {
        "Q10": 1 / temperature.factor(30, 20, k),
        "pct_per_C": 100 * (1 - temperature.factor(21, 20, k)),
        "pct_per_F": 100 * (1 - temperature.factor(20 + 1 / 1.8, 20, k)),
        "Ea_kJ_at_20C": k * gas_constant * kelvin**2 / 1000,
    }


def n_time(t: float, factor: float) -> dict[str, Any]:
    points = (Point(n=0, minutes=t), Point(n=-1, minutes=t * factor))
    minutes = recipes.time_for(Recipe(points=points), -1).minutes
    return {"t": minutes, "warn_lt5": minutes < 5, "warn_lt4": minutes < 4}


def accumulate(segments: list[list[float]], t_next: float, p: float) -> dict[str, float]:
    """Once too much was given nothing is left, which the row writes as a negative remainder."""
    law = PowerLaw(exponent=p)
    answer = light_change.light_change(
        light_change.LightChangeRequest(
            law=law,
            intervals=tuple(Interval(elapsed_s=clock, metered_s=t) for clock, t in segments),
            now_metered_s=t_next,
        )
    )
    left = (1 - answer.progress) * reciprocity.corrected_s(law, t_next)
    assert answer.remaining_s == pytest.approx(max(0, left))
    return {"fraction": answer.progress, "remaining": left}


def fading(tm0: float, stops_per_s: float, p: float) -> dict[str, Any]:
    law = PowerLaw(exponent=p)
    answer = light_change.light_change(
        light_change.LightChangeRequest(
            law=law, now_metered_s=tm0, fading_stops_per_min=stops_per_s * 60
        )
    )
    assert answer.never == (answer.remaining_s is None)
    return {"T": answer.remaining_s, "constant_light_T": reciprocity.corrected_s(law, tm0)}


def contrast_shift(cut_on: float) -> dict[str, float]:
    """The advice's table for the colour a cut-off filter has."""
    colour = {500: "yellow", 550: "orange", 590: "red", 600: "red"}[int(cut_on)]
    shifts = contrast.SHIFTS[colour]
    return {
        "sky15000K_shift": shifts["blue_sky"],
        "leaf_shift": shifts["foliage"],
        "skin_shift": shifts["skin"],
    }


def longpass(factors: list[float]) -> dict[str, float]:
    colours: list[contrast.Colour] = ["yellow", "red"]
    stack = [
        Filter(factor=factor, type="contrast", colour=colour)
        for factor, colour in zip(factors, colours, strict=True)
    ]
    return {"real_about": filters.stops_to_factor(filters.total_stops(stack))}


def handbook_factors() -> dict[str, list[float]]:
    """A filter's factor may differ in tungsten light; a stack of one counts it."""

    def both(day: float, tungsten: float) -> list[float]:
        filter_ = Filter(factor=day, tungsten_factor=tungsten)
        return [
            filters.stops_to_factor(filters.total_stops([filter_], light))
            for light in ("daylight", "tungsten")
        ]

    rows = next(row["expected"] for row in ROWS if row["op"] == "handbook_factors")
    return {name: both(*pair) for name, pair in rows.items()}


def depth(f: float, N: float, c: float, u: float) -> dict[str, float | None]:
    near, far = sharpness.depth_of_field_mm(f, N, c, u)
    return {"near": near, "far": far}


def optimum_f_number(dv: float) -> dict[str, float]:
    best = sharpness.best_f_number(dv)
    defocus, diffraction = dv / (2 * best), best / 750
    return {
        "N": best,
        "total_blur_rss_mm": math.hypot(defocus, diffraction),
        "total_blur_sum_mm": defocus + diffraction,
        "stops_from_f1": 2 * math.log2(best),
    }


def optimum_close(dv: float, m: float) -> dict[str, float]:
    request = aperture_choice.ApertureChoiceRequest(focus_spread_mm=dv, magnification=m)
    answer = aperture_choice.aperture_choice(request)
    return {"N_eff": answer.f_number, "N_marked": answer.marked}


def motion(f: float, u: float, v: float, c: float) -> dict[str, float | None]:
    m = bellows.from_subject(u, f)
    moving = movement.Movement(speed_mm_s=v, distance_mm=u)
    return {"m": m, "t": movement.limit_s(moving, c, f, 0)}


def stars(f: float, c: float) -> dict[str, float]:
    speed = movement.star_speed_mm_s(f)
    return {"mm_per_s": speed, "t": c / speed}


OPERATIONS: dict[str, Callable[..., Any]] = {
    "ev": lambda N, t: exposure_value.exposure_value(N, t),
    "ev_at_iso": lambda ev100, S: exposure_value.at_speed(ev100, S),
    "ev100_to_luminance": lambda ev100, K: {
        "cd_m2": meters.luminance_of(ev100, K),
        "footlambert": meters.luminance_of(ev100, K) / units.luminance_cd_m2(1, "fL"),
    },
    "ev100_to_illuminance": lambda ev100, C: {
        "lux": meters.illuminance_of(ev100, C),
        "footcandle": meters.illuminance_of(ev100, C) / units.illuminance_lx(1, "fc"),
    },
    "luminance_to_ev": lambda L, S, K: exposure_value.at_speed(meters.ev100_of_luminance(L, K), S),
    "illuminance_to_ev": lambda E, S, C: exposure_value.at_speed(
        meters.ev100_of_illuminance(E, C), S
    ),
    "fl_to_cdm2": lambda fl: units.luminance_cd_m2(fl, "fL"),
    "fc_to_lux": lambda fc: units.illuminance_lx(fc, "fc"),
    "piK/C": lambda K, C: meters.agreeing_reflectance(K, C),
    "card_vs_incident": lambda K, C, R: meters.card_stops(R, K, C),
    "k_offset": lambda: meters.ev100_of_luminance(1, 12.5) - meters.ev100_of_luminance(1, 14),
    "aperture_series": aperture_series,
    "shutter_series": shutter_series,
    "ev_canonical": lambda text: _ev_text(text)[0],
    "ev_both": lambda text: {
        "canonical": _ev_text(text)[0],
        "literal": _ev_text(text)[1],
        "diff": _ev_text(text)[1] - _ev_text(text)[0],
    },
    "iso_deg": lambda S: {"exact": film_speed.degrees(S), "deg": round(film_speed.degrees(S))},
    "deg_to_stops": lambda deg: film_speed.degrees_to_stops(deg),
    "place": place,
    "falls": lambda placed, zone, readings: {
        name: placement.fall(ev, readings[placed], zone) for name, ev in readings.items()
    },
    "n_number": n_number,
    "sbr_reflected": reflected,
    "sbr_incident": incident,
    "schools": schools,
    "identity": lambda ev_at_S: {
        "ev_set_III_at_S": placement.camera_ev(ev_at_S, 3),
        "ev_set_IV_at_2S": placement.camera_ev(exposure_value.at_speed(ev_at_S, 200), 4),
    },
    "zone_of_R": lambda R: zones.of_reflectance(R),
    "plus5": lambda: {
        "r3_90": zones.of_reflectance(0.90) - zones.of_reflectance(0.03),
        "r3_96": zones.of_reflectance(0.96) - zones.of_reflectance(0.03),
    },
    "efs": lambda EI, shift: film_speed.shifted(EI, shift),
    "factor_to_stops": lambda factor: {
        "stops": filters.stops(Filter(factor=factor)),
        "density": filters.stops(Filter(factor=factor)) * math.log10(2),
    },
    "density_to_factor": lambda D: {
        "factor": filters.stops_to_factor(filters.stops(Filter(density=D))),
        "stops": filters.stops(Filter(density=D)),
    },
    "stack": lambda factors: {
        "factor": filters.stops_to_factor(sum(filters.stops(Filter(factor=f)) for f in factors)),
        "stops": sum(filters.stops(Filter(factor=f)) for f in factors),
    },
    "stops_to_factor": lambda stops: filters.stops_to_factor(filters.stops(Filter(stops=stops))),
    "ext_factor": lambda v, f: {
        **factor(bellows.from_extension(v, f)),
        "neff_of_f8": 8 * math.sqrt(bellows.factor(bellows.from_extension(v, f))),
    },
    "mag_factor": lambda m: factor(m),
    "pupil_factor": pupil_factor,
    "draw_factor": lambda draw, f: factor(bellows.from_draw(draw, f)),
    "dist_factor": lambda u, f: {
        **factor(bellows.from_subject(u, f)),
        "v": f * (1 + bellows.from_subject(u, f)),
    },
    "conj_factor": lambda D, f: factor(bellows.from_conjugates(D, f)),
    "target_factor": lambda target, image: factor(bellows.from_target(target, image)),
    "threshold": lambda stops: {
        "m": bellows.magnification_for(stops),
        "u_over_f": 1 + 1 / bellows.magnification_for(stops),
    },
    "telephoto": lambda f, flange_inf, flange, P: {
        "m": bellows.from_draw(flange - flange_inf, f),
        "factor_P1": bellows.factor(bellows.from_draw(flange - flange_inf, f)),
        "factor_P": bellows.factor(bellows.from_draw(flange - flange_inf, f), P),
        "naive_flange_over_f": (flange / f) ** 2,
    },
    "tilted_back": lambda v, f, tilt_deg, y: [
        bellows.tilted_back_factor(v, f, tilt_deg, each) for each in y
    ],
    "pin_N": lambda f, d: pinhole.pinhole_f_number(f, d),
    "pin_opt": optimum,
    "pin_opt_lam": lambda f, lam_nm: optimum(f, lam_nm)["d"]["rayleigh_1p9"],
    "pin_close": close_pinhole,
    "pin_corner": corner,
    "aperture_convert": convert,
    "aperture_convert_canonical": convert_canonical,
    "pin_thickness": lambda d, T: pinhole.thickness_limit_deg(d, T),
    "power": power,
    "power_t0": lambda t, p, t0: power(t, p, t0)["T"],
    "additive": additive,
    "additive_inv": lambda T, a, b: reciprocity.metered_s(AdditiveLaw(a=a, b=b), T),
    "power_inv": lambda T, p: reciprocity.metered_s(PowerLaw(exponent=p), T),
    "handbook_table": handbook_table,
    "table_interp": lambda table, t: {
        "linear": reciprocity.corrected_s(TableLaw(rows=tuple(map(tuple, table))), t)
    },
    "table_extrap": table_extrapolated,
    "table_inv": lambda T: reciprocity.metered_s(HANDBOOK, T),
    "table_stops": lambda t, T: math.log2(reciprocity.corrected_s(HANDBOOK, t) / t),
    "aperture_route": aperture_route,
    "order": order,
    "bracket": bracket,
    "error_true": lambda T, t, p: reciprocity.true_error_stops(PowerLaw(exponent=p), t, T),
    "fraction_to_stops": fraction_to_stops,
    "accumulate": accumulate,
    "accumulate_naive": lambda: {
        "fraction_rule_remaining": accumulate([[40, 30]], 60, 1.3)["remaining"]
    },
    "fading": fading,
    "stack_longpass": longpass,
    "spectral_stack": lambda: {"true_factor": longpass([2, 4.909088683])["real_about"]},
    "spectral_factor": lambda cut_on, **_: contrast_shift(cut_on),
    "handbook_factors": handbook_factors,
    "hyperfocal": lambda f, N, c: {"H": sharpness.hyperfocal_mm(f, N, c)},
    "dof": depth,
    "optimum_N": optimum_f_number,
    "geo_N": lambda dv, c: sharpness.smallest_blur_f_number(dv, c),
    "optimum_N_close": optimum_close,
    "airy": lambda N, lam: sharpness.airy_mm(N, lam * 1e6),
    "focus_mid": lambda near, far: sharpness.focus_between_mm(near, far),
    "spread": lambda f, near, far: sharpness.focus_spread_mm(f, near, far),
    "motion": motion,
    "stars": stars,
    "k_equiv": k_equivalents,
    "temp_time": lambda t20, T, k, Ea: {"exp": t20 * temperature.factor(T, 20, k)},
    "f_to_c": lambda F: temperature.celsius(F),
    "n_factor_range": lambda N: thumb.thumb_factor(N),
    "n_time": n_time,
    "rotary": lambda t: t * ROTARY,
    **darkroom_values.OPERATIONS,
}


TO_A_THIRD = ("spectral_factor", "spectral_stack", "stack_longpass")
# Rows that hold rival answers or parts the house does not give: of these, what it does give.
PARTIAL = (
    "temp_time",
    "table_interp",
    "accumulate_naive",
    "fading",
    "hyperfocal",
    "batch",
    "roll_area",
)


def agrees(answer: Any, expected: Any, row: dict[str, Any]) -> None:
    """Compare to the row's own tolerance; of a table of rival answers, those the house gives."""
    if row["op"] == "n_factor_range":
        assert expected[0] <= answer <= expected[1]
    elif row["op"] == "rotary":
        assert answer in expected
    elif row["op"] == "handbook_table":
        assert answer == [each["dev_pct"] for each in expected]
    elif row["op"] in TO_A_THIRD:
        about(answer, expected, logs=row["op"] != "spectral_factor")
    elif isinstance(answer, dict):
        rivals = set(expected) - set(answer)
        assert not rivals or row["op"] in PARTIAL, rivals
        for name in set(expected) & set(answer):
            agrees(answer[name], expected[name], row)
        assert set(expected) & set(answer)
    elif isinstance(answer, list):
        assert len(answer) == len(expected)
        for mine, theirs in zip(answer, expected, strict=True):
            agrees(mine, theirs, row)
    elif expected is None:
        assert answer is None
    else:
        slack = row["tolerance"] + 1e-9
        bound = {"abs": slack} if row["tolerance_kind"] == "abs" else {"rel": slack}
        assert answer == pytest.approx(expected, **bound)


def about(answer: dict[str, float], expected: dict[str, float], logs: bool) -> None:
    """What is only advised about is right to a third of a stop."""
    for name in answer:
        off = answer[name] - expected[name]
        if logs:
            off = math.log2(answer[name] / expected[name])
        assert abs(off) < 1 / 3, name


@pytest.mark.parametrize("row", ROWS, ids=lambda row: f"{row['id']} {row['name']}")
def test_value(row: dict[str, Any]) -> None:
    """The core gives the published value; the source stands in the row."""
    assert row["source"]
    agrees(OPERATIONS[row["op"]](**row["inputs"]), row["expected"], row)
