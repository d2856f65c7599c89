"""What the photographer decides over the plan: another recipe, other minutes, and why."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.development.recipes import Minutes
from emulsa.core.errors import Missing
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import Id, Label


@dataclass(frozen=True, kw_only=True, slots=True)
class Choice:
    """For one piece of film; empty fields leave the plan as it is.

    ``plain_n`` takes the recipe's time for N, whatever was planned and however it was exposed; it
    needs no reason. ``hold_highlights`` develops for the exposure's error, so that the high values
    stand where they were planned. ``minutes`` of one's own need a ``reason``, and so does a recipe
    that is not recommended.
    """

    recipe_id: Id | None = None
    plain_n: bool = False
    hold_highlights: bool = False
    minutes: Minutes | None = None
    reason: Label = ""

    def __post_init__(self) -> None:
        check_reason(self.minutes, self.reason)


def check_reason(minutes: float | None, reason: str) -> None:
    """Missing when minutes of one's own come without a reason."""
    if minutes is not None and not reason.strip():
        raise Missing("Give the reason in a few words, for the log.", field="reason")


def choice_text(choice: Choice, recipe_name: str = "") -> str:
    """What was decided, as the log says it; nothing when nothing was.

    >>> choice_text(Choice(minutes=8, reason="thin last time"))
    '8 min instead of the plan: thin last time'
    >>> choice_text(Choice(recipe_id="r"), "Semi-stand"), choice_text(Choice())
    ('Semi-stand instead of the plan', '')
    >>> choice_text(Choice(plain_n=True))
    'N instead of the plan'
    """
    minutes = "" if choice.minutes is None else minutes_text(choice.minutes)
    held = "for the high values as exposed" * choice.hold_highlights
    what = ", ".join(each for each in (recipe_name, "N" * choice.plain_n, held, minutes) if each)
    words = f"{what} instead of the plan" if what else ""
    return ": ".join(each for each in (words, choice.reason.strip()) if each)
