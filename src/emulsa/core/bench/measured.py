"""Densities at the metered spots: what stands where a tone was planned.

The lowest spot up to IV speaks for the shadows, the highest from VI up for the lights, at the zone
they were planned to print as (common practice, no source). What zone a density stands for is
learning's to say: by the film's own curve where it was tested, else by a normal negative.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from emulsa.core.film.judgement import Judgement
from emulsa.core.tones.development_number import lands

SHADOW_TO, HIGH_FROM = 4.0, 6.0
LOWEST, FURTHEST_ZONE = 0.5, 12.0  # beyond them nothing is read off a negative
DENSEST = 5.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Measured:
    """Zone and net density at the two ends; empty where the densitometer was not asked."""

    shadow_net: tuple[float, float] | None = None
    highlight_net: tuple[float, float] | None = None
    text: str = ""


def measured_ends(
    judgement: Judgement, falls: Mapping[str, float], bracket_stops: float, n: float
) -> Measured:
    """Both ends of a judged negative. ``falls`` are the exposure's own, with its place in a bracket
    in them; zones are the plan's without it, as the light that was given counts by itself."""
    if judgement.base_fog is None or not judgement.measured:
        return Measured()
    spots = sorted(
        (falls[each.reading_id] - bracket_stops, _net(each.density, judgement.base_fog))
        for each in judgement.measured
        if each.reading_id in falls
    )
    low = [each for each in spots if LOWEST <= each[0] <= SHADOW_TO]
    high = [(lands(zone, n), net) for zone, net in spots if zone >= HIGH_FROM]
    high = [each for each in high if each[0] <= FURTHEST_ZONE]
    said = []
    if low:
        said.append(f"shadow measured {low[0][1]:.2f}")
    if high:
        said.append(f"highlight measured {high[-1][1]:.2f}")
    return Measured(
        shadow_net=low[0] if low else None,
        highlight_net=high[-1] if high else None,
        text=", ".join(said) + (" above clear film" if said else ""),
    )


def _net(density: float, base_fog: float) -> float:
    return min(max(density - base_fog, 0.0), DENSEST)
