"""Densities at the metered spots, as errors: where a tone stands against where it was planned.

The zone a net density prints as is a normal negative's (``rendering.negative``). The lowest spot up
to IV speaks for the shadows in stops, the highest from VI up for the lights in zones (common
practice, no source).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from emulsa.core.film.judgement import Judgement
from emulsa.core.rendering.negative import printed_zone
from emulsa.core.tones.development_number import lands

SHADOW_TO, HIGH_FROM = 4.0, 6.0
LOWEST = 0.5  # a fall under it leaves nothing to measure
FURTHEST = 3.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Measured:
    """What the densitometer says of the two ends; empty where it was not asked."""

    shadow_error_stops: float | None = None
    highlight_error_zones: float | None = None
    text: str = ""


def measured_errors(
    judgement: Judgement, falls: Mapping[str, float], bracket_stops: float, n: float
) -> Measured:
    """Both ends of a judged negative. ``falls`` are the exposure's own, with its place in a bracket
    in them; errors are against the plan without it, as the light that was given is."""
    if judgement.base_fog is None or not judgement.measured:
        return Measured()
    spots = sorted(
        (falls[each.reading_id] - bracket_stops, each.density - judgement.base_fog)
        for each in judgement.measured
        if each.reading_id in falls
    )
    low = [each for each in spots if LOWEST <= each[0] <= SHADOW_TO]
    high = [each for each in spots if each[0] >= HIGH_FROM]
    shadow = _held(printed_zone(low[0][1]) - low[0][0]) if low else None
    light = _held(printed_zone(high[-1][1]) - lands(high[-1][0], n)) if high else None
    said = []
    if low:
        said.append(f"shadow measured {low[0][1]:.2f}")
    if high:
        said.append(f"highlight measured {high[-1][1]:.2f}")
    return Measured(
        shadow_error_stops=shadow,
        highlight_error_zones=light,
        text=", ".join(said) + (" above clear film" if said else ""),
    )


def _held(error: float) -> float:
    return min(max(error, -FURTHEST), FURTHEST)
