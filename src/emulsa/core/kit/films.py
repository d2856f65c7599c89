"""An emulsion as the photographer rates it: its EI, the tones it holds, its reciprocity law."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.reciprocity import Law
from emulsa.core.development.recipes import Recipe
from emulsa.core.limits import ExposureIndex, Id, Label, Name, Note, Price, Zone
from emulsa.core.numbers import plain
from emulsa.core.tones import textural_range


@dataclass(frozen=True, kw_only=True, slots=True)
class Provenance:
    """Who says each figure: an own test, the maker's sheet, a guess."""

    exposure_index: Label = ""
    textural_range: Label = ""
    law: Label = ""
    price: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Film:
    """A film in the kit; ``exposure_index`` is what it is rated at here, ``box_speed`` what the box
    says. ``law`` is empty until reciprocity is known, ``price`` is a sheet's."""

    id: Id
    name: Name
    exposure_index: ExposureIndex
    box_speed: ExposureIndex | None = None
    textural_range: tuple[Zone, Zone] = textural_range.TYPICAL
    law: Law | None = None
    price: Price | None = None
    provenance: Provenance = Provenance()
    note: Note = ""
    archived: bool = False

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
    archived: bool = False


UNNAMED = "film-at-"  # how the id of film begins of which only its EI is known


def is_unnamed(film_id: str) -> bool:
    """Whether this is film of which only its EI is known."""
    return film_id.startswith(UNNAMED)


def unnamed_film(exposure_index: float) -> Film:
    """Film of which only its EI is known; all of one EI is one record.

    >>> unnamed_film(100).name
    'Film at EI 100'
    """
    ei = plain(exposure_index)
    return Film(id=f"{UNNAMED}{ei}", name=f"Film at EI {ei}", exposure_index=exposure_index)
