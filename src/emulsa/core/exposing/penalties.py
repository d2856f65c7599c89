"""What a plan costs: the sum of eight penalties, each times a weight the photographer sees.

    tones          zones of texture lost, over all readings; the placed tone counts three times
    development    |N| beyond normal, in steps (the first half step is free)
    error          stops the setting is off beyond a sixth; under-exposure half as much again
    movement       stops the time is too long for what moves, or too short for what shall flow
    depth          stops beyond a sixth the aperture is too wide for the depth wanted, or too small
    extrapolation  1 when the time rests on no data of the film
    waiting        minutes of exposure beyond one, in doublings
    change         what is unlike the scene as it stands: 1 another placement, ½ other filters,
                   ¼ for each stop of aperture

Weights and penalties: common practice, no source; the rule is the program's own and has no other
authority.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, fields
from typing import Annotated

from emulsa.core.exposing.ruling import TOLERATED_STOPS, WORDS, Limits, stops_wider
from emulsa.core.limits import Within
from emulsa.core.tones import development_number
from emulsa.core.tones.placement import Placed, Placement
from emulsa.core.written import stops_words

Weight = Annotated[float, Within("A weight", 0, 100)]
FREE_N = 0.5  # steps of N that cost nothing
FREE_ERROR_STOPS = 1 / 6  # half of what shows
PATIENT_S = 60.0
PLACED_COUNTS = 3.0  # what is placed is what the picture is made for
UNDER_COUNTS = 1.5  # what no light reached, no print brings back
OTHER_FILTERS = 0.5  # of a change of placement
APERTURE_CHANGE = 1 / 4  # of a change of placement, for each stop


@dataclass(frozen=True, kw_only=True, slots=True)
class Weights:
    """What each penalty weighs."""

    tones: Weight = 3.0
    development: Weight = 1.0
    error: Weight = 2.0
    movement: Weight = 2.0
    depth: Weight = 2.0
    extrapolation: Weight = 1.0
    waiting: Weight = 0.5
    change: Weight = 0.25


NAMES = tuple(each.name for each in fields(Weights))


@dataclass(frozen=True, kw_only=True, slots=True)
class Penalty:
    """One term of the cost: how much of it there is, times its weight, and in words."""

    name: str
    amount: float
    cost: float
    text: str


@dataclass(frozen=True, slots=True)
class Tones:
    """A placement and a development, and the texture they lose."""

    placement: Placement
    n: float
    lost: float
    lost_names: tuple[str, ...]


def beyond(value: float, limit: float | None) -> float:
    """Stops ``value`` lies beyond ``limit``."""
    return max(0.0, math.log2(value / limit)) if limit else 0.0


def short(value: float, limit: float | None) -> float:
    """Stops ``value`` falls short of ``limit``."""
    return max(0.0, math.log2(limit / value)) if limit else 0.0


def depth(effective: float, limits: Limits) -> float:
    too_wide = stops_wider(effective, limits.widest) - TOLERATED_STOPS if limits.widest else 0.0
    too_small = stops_wider(limits.smallest, effective) if limits.smallest else 0.0
    too_small -= TOLERATED_STOPS
    off_best = abs(2 * math.log2(effective / limits.best)) / 10 if limits.best else 0.0
    return max(too_wide, too_small, 0.0) + off_best


def penalties(amounts: dict[str, float], weights: Weights, tones: Tones) -> tuple[Penalty, ...]:
    words = {
        "tones": "lost texture",
        "development": f"development {development_number.n_text(tones.n)}",
        "error": "setting off",
        "movement": "motion",
        "depth": "depth of field",
        "extrapolation": "beyond the film's data",
        "waiting": "long exposure",
        "change": "departs from your choice",
    }
    return tuple(
        Penalty(
            name=name,
            amount=amounts[name],
            cost=amounts[name] * getattr(weights, name),
            text=words[name],
        )
        for name in NAMES
        if amounts[name] > 1e-9
    )


def reason(tones: Tones, amounts: dict[str, float], limits: Limits) -> str:
    """Why one would take this plan, in a sentence."""
    kept = "Every tone keeps its texture" if not tones.lost else "Keeps most tones"
    if isinstance(tones.placement, Placed) and tones.placement.school == "highlight":
        kept = "The highlight is sure" if tones.lost else "Every tone keeps its texture"
    with_n = {True: " with normal development", False: ""}[abs(tones.n) < 0.25]
    sharp = ""
    if limits.widest is not None and amounts["depth"] < 0.2:
        sharp = " and the depth is held"
    elif limits.longest_s is not None and amounts["movement"] == 0:
        sharp = " and nothing moves visibly"
    elif limits.shortest_s is not None and amounts["movement"] == 0:
        sharp = " and what moves flows as wanted"
    return f"{kept}{with_n}{sharp}."


def costs(tones: Tones, amounts: dict[str, float], out: tuple[str, ...], off: float) -> str:
    """What the plan sacrifices, in a sentence; nothing when there is nothing."""
    said = []
    if tones.lost_names:
        said.append(f"loses texture in {', '.join(tones.lost_names)}")
    said += [WORDS[code] for code in out if code != "faster-than-shutter"]
    if amounts["error"] > 0.1:
        said.append(f"is {stops_words(off)} off")
    if amounts["extrapolation"]:
        said.append("needs a second sheet at one stop more")
    if not said:
        return "Costs nothing but the sheet."
    return "Costs: " + "; ".join(said) + "."
