"""The negative judged by eye: its shadows, its highlights, and what went wrong with it; with a
densitometer, what stands at the metered spots."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.printing_ways import AFTERWARDS, AFTERWARDS_CAUTION
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Id, Label, Length, Note
from emulsa.core.sensitometry.belief import Highlight, Shadow
from emulsa.core.sensitometry.curve import Density, Fog

NegativeFault = Literal[
    "scratch, emulsion side", "scratch, base side", "fog", "uneven", "blank", "dust", "other"
]

Grain = Literal["", "fine", "medium", "coarse"]
Edge = Literal["", "crisp", "soft"]
Tone = Literal["", "soft", "even", "hard"]

GRAIN_WORDS: dict[Grain, str] = {
    "fine": "fine grain",
    "medium": "medium grain",
    "coarse": "coarse grain",
}
EDGE_WORDS: dict[Edge, str] = {"crisp": "crisp edges", "soft": "soft edges"}
TONE_WORDS: dict[Tone, str] = {
    "soft": "soft gradation",
    "even": "even gradation",
    "hard": "hard gradation",
}
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
    ``grain``, ``edge`` and ``tone`` are seen beside other negatives.
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
    grain: Grain = ""
    edge: Edge = ""
    tone: Tone = ""

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
    looks = (
        GRAIN_WORDS.get(judgement.grain, ""),
        EDGE_WORDS.get(judgement.edge, ""),
        TONE_WORDS.get(judgement.tone, ""),
    )
    best = "the best of its bracket" if judgement.best else ""
    rest = [*looks, best, *judgement.faults, judgement.note]
    return "; ".join(each for each in (tones, *rest) if each)


def afterwards(judgement: Judgement) -> str:
    """What can still be done to a negative that shows so, with its effect in N; common practice
    from memory, no source.

    >>> afterwards(Judgement(id="a", shadow="full", highlight="flat"))[:44]
    'selenium toning, strong: about N+½ to N+1; c'
    """
    ways = [*AFTERWARDS.get(judgement.highlight or "", ())]
    ways += AFTERWARDS.get(judgement.shadow or "", ())
    return "; ".join((*ways, AFTERWARDS_CAUTION)) if ways else ""


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
