"""Test strips as they are read in the dark: what to give, what came of it, in words."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.numbers import plain
from emulsa.core.printing.strip import StripRequest, strip_times
from emulsa.core.prints.record import KeptStrip
from emulsa.core.written import size_text


@dataclass(frozen=True, kw_only=True, slots=True)
class StripLine:
    """A strip: its time in all, and what the lamp gives as the card moves on."""

    total_text: str
    give_text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class StripsShown:
    """Every strip in words, and the base time when one was chosen."""

    strips: tuple[StripLine, ...]
    base_text: str


def shown(request: StripRequest) -> StripsShown:
    """A strip's times, in words."""
    answer = strip_times(request)
    return StripsShown(
        strips=tuple(
            StripLine(total_text=_text(each.total_s), give_text=_text(each.set_s))
            for each in answer.strips
        ),
        base_text="" if answer.base_s is None else _text(answer.base_s),
    )


def told(kept: KeptStrip) -> str:
    """A strip that was kept, in a line.

    >>> asked = StripRequest(kind="stops", first_s=8, step_stops=1 / 3, strips=6, chosen=2.5)
    >>> told(KeptStrip(id="a", print_id="p", label="Hard filter", over="Soft filter", strip=asked))
    'Hard filter over Soft filter: 6 strips from 8 s by ⅓ stop; between strips 2 and 3 chosen'
    """
    asked = kept.strip
    where = f"{kept.label} over {kept.over}" if kept.over else kept.label
    if asked.kind == "linear":
        steps = f"of {_text(asked.step_s or 0)}"
    else:
        first, step = _text(asked.first_s or 0), size_text(asked.step_stops or 0)
        steps = f"from {first} by {step} stop"
    said = [f"{where}: {asked.strips} strips {steps}", _right(asked.chosen), kept.note]
    return "; ".join(filter(None, said))


def _text(seconds: float) -> str:
    """Seconds to the tenth: strips lie close together."""
    return f"{plain(round(seconds, 1))} s"


def _right(chosen: float | None) -> str:
    if chosen is None:
        return ""
    if chosen % 1:
        return f"between strips {plain(chosen // 1)} and {plain(chosen // 1 + 1)} chosen"
    return f"strip {plain(chosen)} chosen"
