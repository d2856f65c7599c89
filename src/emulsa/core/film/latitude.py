"""Latitude: which frames of a judged bracket print.

A frame prints while its shadows have texture and its highlights are not blocked; common practice,
no source.
"""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.film.judgement import Judgement
from emulsa.core.written import stops_text


def prints(judgement: Judgement) -> bool:
    """Whether a negative of this look gives a print with both its ends.

    >>> prints(Judgement(id="a", shadow="thin", highlight="full"))
    True
    """
    empty = judgement.shadow == "none" or "blank" in judgement.faults
    return not empty and judgement.highlight != "blocked"


def latitude_text(frames: Iterable[tuple[float, Judgement]]) -> str:
    """How far from its plan film can be exposed and still print, from frames by their place in the
    bracket, in stops. Empty below two judged frames, which span nothing.

    An end that printed is open: how far it really goes was not tried.

    >>> def look(highlight): return Judgement(id="a", shadow="full", highlight=highlight)
    >>> latitude_text([(-1, look("full")), (0, look("full")), (1, look("blocked"))])
    'prints from −1 to 0; less light was not tried'
    """
    by_place = dict(sorted(frames, key=lambda each: each[0]))
    if len(by_place) < 2:
        return ""
    places, good = list(by_place), [at for at, each in by_place.items() if prints(each)]
    if not good:
        return f"no frame from {stops_text(places[0])} to {stops_text(places[-1])} prints"
    between = [at for at in places if good[0] < at < good[-1] and at not in good]
    said = f"prints from {stops_text(good[0])} to {stops_text(good[-1])}"
    if len(good) == 1:
        said = f"prints at {stops_text(good[0])} alone"
    if between:
        said += f", but not at {', '.join(stops_text(each) for each in between)}"
    less, more = good[0] == places[0], good[-1] == places[-1]
    if less and more:
        return f"{said}; neither less nor more light was tried"
    if less or more:
        return f"{said}; {'less' if less else 'more'} light was not tried"
    return said
