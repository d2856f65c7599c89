"""An emulsion as the photographer rates it: its EI, the tones it holds, its reciprocity law."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.recipes import Recipe, best_points
from emulsa.core.errors import Unsound
from emulsa.core.exposing.request import EiPoint
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Name, Note, Price, Zone
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
class FilmUse:
    """What a film is good for, or not: *street, yes; landscape, no*."""

    use: Name
    verdict: Literal["yes", "no", "perhaps"] = "yes"


@dataclass(frozen=True, kw_only=True, slots=True)
class Film:
    """A film in the kit; ``exposure_index`` is what it is rated at here, ``box_speed`` what the box
    says, ``prior_ei`` what it was rated at before its negatives said otherwise: learning is weighed
    against it, and it never moves by learning. ``law`` is empty until reciprocity is known,
    ``price`` is a sheet's, ``uses`` one's verdict by use. ``kind`` says what it sees and whether N
    exists; empty, nothing is taken for granted."""

    id: Id
    name: Name
    exposure_index: ExposureIndex
    kind: FilmKindName | None = None
    box_speed: ExposureIndex | None = None
    prior_ei: ExposureIndex | None = None
    textural_range: tuple[Zone, Zone] = textural_range.TYPICAL
    law: Law | None = None
    price: Price | None = None
    provenance: Provenance = Provenance()
    uses: Annotated[tuple[FilmUse, ...], Length("Uses of a film", 0, 20)] = ()
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        textural_range.check(*self.textural_range)
        if len({each.use for each in self.uses}) < len(self.uses):
            raise Unsound("Each use is judged once.", field="uses")


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmRecipe:
    """A recipe of one film, with the name the photographer gives it."""

    id: Id
    film_id: Id
    name: Name
    recipe: Recipe
    note: Note = ""
    archived: bool = False


def ei_points(film: Film, recipe: FilmRecipe) -> tuple[EiPoint, ...]:
    """The index each N is exposed at, by the recipe's own and tested points; none where it says
    none. N without an index of its own is exposed at the film's; what its negatives taught of the
    film moves them all alike."""
    points = {
        each.n: each.ei
        for each in best_points(recipe.recipe)
        if each.ei is not None and each.origin != "published"
    }
    if not points:
        return ()
    taught = film.exposure_index / (film.prior_ei or film.exposure_index)
    moved = {n: ei * taught for n, ei in points.items()}
    moved.setdefault(0.0, film.exposure_index)
    return tuple(EiPoint(n=n, ei=ei) for n, ei in sorted(moved.items()))


def index_before(film: Film, recipe: FilmRecipe) -> float:
    """The film's own index for normal development before any negative taught it otherwise: by the
    recipe's own point, else the one it was rated at then."""
    before = film.prior_ei or film.exposure_index
    own = {each.n: each.ei for each in ei_points(film, recipe)}.get(0.0, film.exposure_index)
    return own * before / film.exposure_index


def rerated(known: Film | None, film: Film) -> Film:
    """The film as it is kept from its form: rated anew by hand, that is its own word, and what was
    learned before is weighed against it.

    >>> was = Film(id="f", name="Velm", exposure_index=64, prior_ei=100)
    >>> rerated(was, replace(was, exposure_index=80)).prior_ei, rerated(was, was).prior_ei
    (None, 100)
    """
    if known is not None and known.exposure_index != film.exposure_index:
        return replace(film, prior_ei=None)
    return film


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
