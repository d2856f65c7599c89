"""How the published values of the darkroom are asked of the core."""

from collections.abc import Callable
from typing import Any

from emulsa.core.chemistry import dilution, film_area, fixing
from emulsa.core.darkroom import batches
from emulsa.core.data.chemistry import CM2_PER_IN2, ROLL_AREA_IN2
from emulsa.core.development import agitation, drift


def scheme(total: float, first: float, dur: float, every: float, first_repeat: float) -> Any:
    found = agitation.events(
        total,
        agitation.Scheme(first_s=first, each_s=dur, every_s=every, repeat_from_s=first_repeat),
    )
    return {
        "events": [list(each) for each in found],
        "count": len(found),
        "agitated_s": sum(end - start for start, end in found),
    }


def batch(
    times_min: list[float],
    weights: list[float],
    R: int,
    capacity: int,
    objective: Any,
) -> dict[str, Any]:
    sheets = tuple(
        batches.Sheet(id=f"{place}", minutes=minutes, weight=weight)
        for place, (minutes, weight) in enumerate(zip(times_min, weights, strict=True))
    )
    answer = batches.batches(
        batches.BatchesRequest(sheets=sheets, capacity=capacity, max_runs=R, objective=objective)
    )
    assert answer.optimal
    return {
        "cost": answer.cost,
        "runs": [[times_min[int(id_)] for id_ in run.ids] for run in answer.runs],
        "run_times": [run.minutes for run in answer.runs],
    }


def dilute(n: float, V: float) -> dict[str, float]:
    concentrate, water = dilution.mix(f"1+{n:g}", V)
    other = dilution.mix(f"1:{n:g}", V, "one_in_n")[0]
    return {
        "one_plus_n": concentrate.ml,
        "water": water.ml,
        "one_in_n": other.ml,
        "diff_pct": 100 * (other.ml / concentrate.ml - 1),
    }


def least(area_in2: float, ml_per_80: float, n: float, tank: float) -> dict[str, Any]:
    needed = film_area.needed_concentrate_ml(area_in2, ml_per_80)
    held = dilution.one_part(n, tank)[0].ml
    return {
        "needed_ml": needed,
        "ml_at_tank": held,
        "ok": held >= needed,
        "V_needed": film_area.volume_ml(area_in2, ml_per_80, 1 / (n + 1), tank),
    }


def area(w_in: float, h_in: float) -> dict[str, float]:
    found = film_area.area_in2(w_in * 25.4, h_in * 25.4)
    return {"in2": found, "cm2": found * CM2_PER_IN2, "rolls": film_area.rolls(found)}


OPERATIONS: dict[str, Callable[..., Any]] = {
    "agitation": scheme,
    "batch": batch,
    "dilution": dilute,
    "two_part": lambda a, b, water, V: dict(
        zip("ABW", (each.ml for each in dilution.two_parts(a, b, water, V)), strict=True)
    ),
    "min_concentrate": least,
    "film_area": area,
    "roll_area": lambda: {"nominal": ROLL_AREA_IN2},
    "fix_time": lambda clear: {
        "x2": fixing.fixing_s(clear),
        "x3": fixing.fixing_s(clear, tabular=True),
    },
    "fix_exhaust": lambda fresh: fixing.exhausted_s(fresh),
    "wash": lambda V, v, n: fixing.residual(V, v, n),
    "wash_n": lambda V, v, target: fixing.changes(V, v, target),
    "drift": lambda T0, T1, minutes, k: drift.equivalent(minutes, T0, T1, k, 20),
}
