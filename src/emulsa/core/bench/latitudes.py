"""What judged brackets say of the latitude of a film in its recipe."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import groupby

from emulsa.core.bench.negatives import Developed
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.latitude import latitude_text


def latitudes(negatives: Sequence[Developed]) -> tuple[str, ...]:
    """A line for each bracket of which at least two frames were judged, by its scene."""
    framed = sorted(
        ((each.last.bracket_id, each) for each in negatives if each.last.bracket_id),
        key=lambda each: each[0],
    )
    said = []
    for _, frames in groupby(framed, key=lambda each: each[0]):
        of_one = [each for _, each in frames]
        text = latitude_text(_judged(of_one))
        if text:
            said.append(f"{of_one[0].scene}: {text}")
    return tuple(sorted(said))


def _judged(frames: Sequence[Developed]) -> list[tuple[float, Judgement]]:
    return [(each.last.bracket_stops, each.judgement) for each in frames if each.judgement]
