"""The negative judged by eye: its shadows, its highlights, and what went wrong with it; with a
densitometer, what stands at the metered spots."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Id, Label, Length, Note
from emulsa.core.sensitometry.belief import Highlight, Shadow
from emulsa.core.sensitometry.curve import Density, Fog

NegativeFault = Literal[
    "scratch, emulsion side", "scratch, base side", "fog", "uneven", "blank", "dust", "other"
]

SHADOW_WORDS: dict[Shadow, str] = {
    "none": "no texture in the shadows",
    "thin": "thin shadows",
    "full": "full shadows",
    "heavy": "heavy shadows, more than full",
    "at_least_full": "at least full shadows",
}
HIGHLIGHT_WORDS: dict[Highlight, str] = {
    "flat": "flat highlights",
    "full": "full highlights",
    "blocked": "blocked highlights",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class MeasuredSpot:
    """A density with base where a reading was taken; ``reading_id`` is that of the exposure."""

    reading_id: Id
    density: Density


@dataclass(frozen=True, kw_only=True, slots=True)
class Judgement:
    """What one piece of film shows; ``id`` is the piece's. ``best``: the best of its bracket.
    ``measured`` counts with ``base_fog``, the clear film's density. ``left_out`` is the reason why
    this negative teaches nothing; ``at_least_full`` is what was judged before *heavy* was a
    word."""

    id: Id
    at: Label = ""
    shadow: Shadow
    highlight: Highlight
    faults: Annotated[tuple[NegativeFault, ...], Length("Faults of a negative", 0, 7)] = ()
    best: bool = False
    note: Note = ""
    base_fog: Fog | None = None
    measured: Annotated[tuple[MeasuredSpot, ...], Length("Measured spots", 0, 40)] = ()
    left_out: Label = ""

    def __post_init__(self) -> None:
        if self.measured and self.base_fog is None:
            raise Missing(
                "Measure the clear film too: a density counts from base plus fog.",
                field="base_fog",
            )
        if len({each.reading_id for each in self.measured}) < len(self.measured):
            raise Unsound("Each spot is measured once.", field="measured")


def showed(judgement: Judgement) -> str:
    """What the negative showed, in a line.

    >>> showed(Judgement(id="a", shadow="thin", highlight="full", faults=("fog",)))
    'thin shadows, full highlights; fog'
    """
    tones = f"{SHADOW_WORDS[judgement.shadow]}, {HIGHLIGHT_WORDS[judgement.highlight]}"
    rest = ["the best of its bracket" if judgement.best else "", *judgement.faults, judgement.note]
    return "; ".join(each for each in (tones, *rest) if each)


def next_time(judgement: Judgement) -> str:
    """What it suggests for the same subject, as common practice has it (no source).

    >>> next_time(Judgement(id="a", shadow="none", highlight="blocked"))
    'give a stop more; develop a step less'
    """
    said = []
    if judgement.shadow == "none":
        said.append("give a stop more")
    elif judgement.shadow == "thin":
        said.append("give half a stop more")
    elif judgement.shadow == "heavy":
        said.append("give half a stop less")
    if judgement.highlight == "blocked":
        said.append("develop a step less")
    elif judgement.highlight == "flat":
        said.append("develop a step more")
    return "; ".join(said)
