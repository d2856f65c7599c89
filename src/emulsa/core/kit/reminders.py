"""What to look at before the shutter opens, and after it closed, by what film it is and what is in
front of it: nobody who winds a roll on has a slide to draw. One's own steps stay in every case.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.kit.preferences import AFTER, APERTURE, HOLDER, SLIDE, Preferences

On = Literal["sheet", "roll"]
Through = Literal["lens", "pinhole"]

SHUTTER = "Shutter closed"
WOUND = "Wound on; wait until the camera has settled"
WIND = "Wind on to the next frame"


@dataclass(frozen=True, kw_only=True, slots=True)
class Reminders:
    """Steps before opening, and the step afterwards."""

    before: tuple[str, ...]
    after: str


def reminders(preferences: Preferences, on: On, through: Through) -> Reminders:
    """The photographer's steps; of the usual ones those that are of this film and this front.

    >>> reminders(Preferences(), "roll", "pinhole").before
    ('Shutter closed', 'Lens cap off, filter on', 'Wound on; wait until the camera has settled')
    """
    steps = preferences.checklist
    after = preferences.after
    if through == "pinhole":
        steps = tuple(SHUTTER if each == APERTURE else each for each in steps)
    if on == "roll":
        steps = tuple(WOUND if each == SLIDE else each for each in steps if each != HOLDER)
        after = WIND if after == AFTER else after
    return Reminders(before=steps, after=after)


def all_reminders(preferences: Preferences) -> dict[str, Reminders]:
    """Every case by its name: ``sheet lens``, ``roll pinhole`` …"""
    kinds: tuple[On, ...] = ("sheet", "roll")
    fronts: tuple[Through, ...] = ("lens", "pinhole")
    return {f"{on} {by}": reminders(preferences, on, by) for on in kinds for by in fronts}
