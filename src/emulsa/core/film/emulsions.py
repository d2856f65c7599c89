"""An emulsion as the photographer rates it: its EI, the tones it holds, its reciprocity law."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.reciprocity import Law
from emulsa.core.development.recipes import Recipe
from emulsa.core.limits import ExposureIndex, Id, Name, Note, Zone
from emulsa.core.tones import textural_range


@dataclass(frozen=True, kw_only=True, slots=True)
class Film:
    """A film in the kit. ``law`` is empty until its reciprocity is known."""

    id: Id
    name: Name
    exposure_index: ExposureIndex
    textural_range: tuple[Zone, Zone] = textural_range.TYPICAL
    law: Law | None = None
    note: Note = ""

    def __post_init__(self) -> None:
        textural_range.check(*self.textural_range)


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmRecipe:
    """A recipe of one film, with the name the photographer gives it."""

    id: Id
    film_id: Id
    name: Name
    recipe: Recipe
    note: Note = ""
