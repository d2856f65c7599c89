"""A film test as it is kept: the film, the developments, the densities, and what was made of it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.limits import Day, Id, Label, Length, Name, Note
from emulsa.core.sensitometry.curve import Curve, Net


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTest:
    """One film in one recipe, exposed alike and developed for different minutes.

    A curve may wait for its densities. ``beside`` is another test it is compared with at
    ``match_net``; ``verdict`` is in the photographer's own words.
    """

    id: Id
    film_id: Id
    recipe_id: Id | None = None
    title: Name
    day: Day = ""
    target: Label = ""
    curves: Annotated[tuple[Curve, ...], Length("Curves of a test", 0, 12)] = ()
    beside: Id | None = None
    match_net: Net = 0.10
    verdict: Note = ""
    note: Note = ""
