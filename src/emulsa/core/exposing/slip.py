"""The tone slip: a subject at a glance, as eleven greys with a tick for each reading.

One answer for every room that lists scenes or film, so that a subject looks the same in all of
them and is called the same by the voice that reads it.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.exposing.falls import FilmTones, printed_by
from emulsa.core.tones.textural_range import Lost
from emulsa.core.tones.zones import zone_text

NAMED = 5  # readings a sentence still names one by one
BELOW, ABOVE = -6.0, 18.0  # zones between which the edges of texture are sought
HALVINGS = 20  # of that stretch: finer than anybody draws


@dataclass(frozen=True, slots=True)
class SlipTick:
    """A reading: the zone it falls on, its name, whether it is the placed one, and the texture that
    is lost there after development."""

    zone: float
    label: str
    placed: bool
    lost: Lost


@dataclass(frozen=True, slots=True)
class Slip:
    """Ticks from shadow to light; ``low`` and ``high``, the falls between which texture is kept at
    this N; N and what it is called; everything in one sentence."""

    ticks: tuple[SlipTick, ...]
    low: float
    high: float
    n: float
    n_text: str
    text: str


def slip(
    ticks: Iterable[SlipTick],
    film: FilmTones,
    n: float,
    target: float,
    kind: FilmKindName | None = None,
) -> Slip:
    """The slip of readings on a film, for development N towards ``target``.

    >>> sky, slate = SlipTick(8, "sky", False, ""), SlipTick(3, "slate", True, "")
    >>> slip([sky, slate], FilmTones((2, 8)), 0, 8).text
    'slate placed on III, sky VIII; N'
    """
    drawn = tuple(sorted(ticks, key=lambda each: each.zone))
    printed = printed_by(film, n, target)
    called = n_words(n, kind)
    return Slip(
        ticks=drawn,
        low=_falls_for(printed, film.keeps[0]),
        high=_falls_for(printed, film.keeps[1]),
        n=n,
        n_text=called,
        text=f"{_said(drawn)}; {called}",
    )


def _falls_for(printed: Callable[[float], float], wanted: float) -> float:
    """The fall that prints as a zone: more light never prints darker, so it is found by halves."""
    low, high = BELOW, ABOVE
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        if printed(middle) < wanted:
            low = middle
        else:
            high = middle
    return round(high, 3)


def _said(ticks: tuple[SlipTick, ...]) -> str:
    """The readings in words: all of few; of many the placed, the lost and the two ends."""
    if not ticks:
        return "no readings"
    named = ticks
    if len(ticks) > NAMED:
        ends = (ticks[0], ticks[-1])
        named = tuple(each for each in ticks if each.placed or each.lost or each in ends)
    rest = len(ticks) - len(named)
    said = ", ".join(map(_tick_text, named))
    return f"{said} and {rest} more between" if rest else said


def _tick_text(tick: SlipTick) -> str:
    placed = "placed on " if tick.placed else ""
    lost = f", {tick.lost} texture lost" if tick.lost else ""
    return f"{tick.label or 'reading'} {placed}{zone_text(tick.zone)}{lost}"
