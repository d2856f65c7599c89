"""What judged brackets say of the latitude of a film in its recipe."""

from __future__ import annotations

from collections.abc import Sequence

from emulsa.core.bench.negatives import Developed
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.latitude import latitude_text


def latitudes(negatives: Sequence[Developed]) -> tuple[str, ...]:
    """A line for each bracket of which at least two frames were judged, by its scene."""
    brackets: dict[str, list[Developed]] = {}
    for each in negatives:
        if each.last.bracket_id is not None:
            brackets.setdefault(each.last.bracket_id, []).append(each)
    said = ((frames[0].scene, latitude_text(_judged(frames))) for frames in brackets.values())
    return tuple(sorted(f"{scene}: {text}" for scene, text in said if text))


def _judged(frames: Sequence[Developed]) -> list[tuple[float, Judgement]]:
    return [(each.last.bracket_stops, each.judgement) for each in frames if each.judgement]
