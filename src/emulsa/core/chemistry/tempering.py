"""Bringing a volume to a temperature with hot or ice water: what is warm enough to mix, by mass.

c·m·ΔT on both sides; all solutions taken as water (definition; a weak solution is within 1 %).
"""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.errors import Impossible
from emulsa.core.written import degrees_text, temperature_text


@dataclass(frozen=True, kw_only=True, slots=True)
class Tempering:
    """How much of each, to reach a volume at a temperature."""

    first_ml: float
    added_ml: float


def tempered(volume_ml: float, wanted_c: float, first_c: float, added_c: float) -> Tempering:
    """A volume made of water at two temperatures; Impossible when the wanted one lies outside.

    >>> tempered(1000, 20, 16, 40)
    Tempering(first_ml=833.3333333333334, added_ml=166.66666666666666)
    """
    if abs(wanted_c - first_c) < 1e-9:
        return Tempering(first_ml=volume_ml, added_ml=0.0)
    low, high = sorted((first_c, added_c))
    if not low <= wanted_c <= high or low == high:
        raise Impossible(
            f"Water of {degrees_text(first_c)} and {temperature_text(added_c)} makes nothing of"
            f" {temperature_text(wanted_c)}; take"
            f" {'warmer' if wanted_c > high else 'colder'} water.",
            field="added_c",
            allowed=[low, high],
        )
    share = (wanted_c - first_c) / (added_c - first_c)
    return Tempering(first_ml=volume_ml * (1 - share), added_ml=volume_ml * share)
