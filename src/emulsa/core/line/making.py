"""Kit named on the line before it is in the kit: made of what is said, and of what is usual.

A film needs a name, a lens its focal length, a pinhole its hole and distance, a filter a usual
colour or its factor. Everything else can be put right in Kit.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core import wire
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.data.contrast import FAMILIES
from emulsa.core.data.filters import USUAL_FACTORS
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.limits import Length, Name
from emulsa.core.numbers import plain

NUMBER = r"(\d+(?:\.\d+)?)"
FACTOR = re.compile(rf"(.*?)\s*(?:×|x\s*|factor\s*){NUMBER}", re.I)
NEUTRAL = re.compile(rf"(?:nd|neutral|gr[ae]y)\s*{NUMBER}", re.I)
STOPS = re.compile(rf"{NUMBER}\s*stops?", re.I)
FACTORS_SOLD = (
    2,
    4,
    8,
    10,
    16,
    32,
    64,
    100,
    128,
    256,
    400,
    500,
    512,
    1000,
    1024,
)  # common practice
WIDEST, SMALLEST = "5.6", "64"  # of a lens nobody has described yet
MADE_NOTE = "made on the reading line; the rest is usual, check it"
AT_ONCE = Length("Things made at once", 0, 4)


@dataclass(frozen=True, kw_only=True, slots=True)
class Made:
    """Kit a line makes, of each kind."""

    films: Annotated[tuple[Film, ...], AT_ONCE] = ()
    lenses: Annotated[tuple[KitLens, ...], AT_ONCE] = ()
    pinholes: Annotated[tuple[KitPinhole, ...], AT_ONCE] = ()
    filters: Annotated[tuple[KitFilter, ...], AT_ONCE] = ()

    @property
    def all(self) -> tuple[Film | KitLens | KitPinhole | KitFilter, ...]:
        return (*self.films, *self.lenses, *self.pinholes, *self.filters)

    def and_(self, more: Made) -> Made:
        """Both together."""
        return Made(
            films=self.films + more.films,
            lenses=self.lenses + more.lenses,
            pinholes=self.pinholes + more.pinholes,
            filters=self.filters + more.filters,
        )


NOTHING = Made()


def film(id_: str, words: str, exposure_index: float) -> Film:
    """A film by its name, rated as the scene stands; its reciprocity is not known yet."""
    name = wire.decode(Name, _capital(words), "text")
    return Film(id=id_, name=name, exposure_index=exposure_index, note=MADE_NOTE)


def lens(id_: str, words: str) -> KitLens | None:
    """A lens by its focal length; nothing when none is said."""
    said = re.fullmatch(rf"{NUMBER}\s*(?:mm)?", words, re.I)
    if said is None:
        return None
    mm = float(said[1])
    optics = wire.decode(Lens, {"focal_length_mm": mm, "widest": WIDEST, "smallest": SMALLEST})
    return KitLens(id=id_, name=f"{plain(mm)} mm", optics=optics, note=MADE_NOTE)


def pinhole(id_: str, words: str) -> KitPinhole | None:
    """A pinhole by any two of its hole, its distance to the film and its f-number: ``0.2 at 30``,
    ``0.2 f/150``, ``f/150 at 30``; nothing otherwise."""
    mm = rf"{NUMBER}\s*(?:mm)?"
    if said := re.fullmatch(rf"{mm}\s*(?:at|@)\s*{mm}", words, re.I):
        hole, distance = float(said[1]), float(said[2])
    elif said := re.fullmatch(rf"{mm}\s+f\s*/?\s*{NUMBER}", words, re.I):
        hole = float(said[1])
        distance = hole * float(said[2])
    elif said := re.fullmatch(rf"f\s*/?\s*{NUMBER}\s*(?:at|@)\s*{mm}", words, re.I):
        distance = float(said[2])
        hole = distance / (float(said[1]) or math.inf)
    else:
        return None
    optics = wire.decode(Pinhole, {"diameter_mm": hole, "distance_mm": distance})
    name = f"{plain(hole)} mm at {plain(distance)} mm"
    return KitPinhole(id=id_, name=name, optics=optics)


def neutral(words: str) -> KitFilter | None:
    """A neutral filter as it is called: ``nd 0.9`` by its density, ``ND8`` by its factor, ``3
    stops``; nothing for another. What can mean two of them is asked.

    >>> made = neutral("grey 0.9")
    >>> made and (made.name, made.filter.density)
    ('Neutral 0.9', 0.9)
    """
    if said := STOPS.fullmatch(words):
        return _neutral(f"Neutral, {said[1]} stops", stops=float(said[1]))
    said = NEUTRAL.fullmatch(words)
    if said is None:
        return None
    amount = float(said[1])
    if "." in said[1]:
        return _neutral(f"Neutral {plain(amount)}", density=amount)
    if amount in FACTORS_SOLD:
        return _neutral(f"Neutral ×{plain(amount)}", factor=amount)
    raise Ambiguous(
        f"Is {words} a density, a factor or stops? Write nd {amount:.1f}, filter ×{plain(amount)},"
        f" or filter {plain(amount)} stops.",
        field="text",
    )


def _neutral(name: str, **amount: float) -> KitFilter:
    return KitFilter(id="", name=name, filter=wire.decode(Filter, {"label": name, **amount}))


def filter_(id_: str, words: str) -> KitFilter:
    """A filter by its colour, with the factor that is usual, by the one that is said, or a neutral
    one by its density, factor or stops."""
    grey = neutral(words)
    if grey is not None:
        return replace(grey, id=id_)
    said = FACTOR.fullmatch(words)
    name = (said[1] if said else words).strip().lower()
    usual = USUAL_FACTORS.get(name)
    factor = float(said[2]) if said else usual and usual[0]
    if factor is None or not name:
        raise Unreadable(
            f"There is no filter “{words}”. Say its factor, as in filter {name or 'amber'} ×4.",
            field="text",
        )
    plain_name = name.replace("-", "_").replace(" ", "_")
    colours = sorted(FAMILIES, key=len, reverse=True)
    colour = next((each for each in colours if each in plain_name), None)
    described: dict[str, object] = {"label": _capital(name), "factor": factor}
    if not said and usual and usual[1] != usual[0]:
        described |= {"tungsten_factor": usual[1]}
    if colour is not None:
        # its own factor is its maker's; the usual one goes by the kind of film
        described |= {"type": "contrast", "colour": colour, "usual": not said}
    elif "polariser" in name:
        described |= {"type": "polariser"}
    note = "" if said else MADE_NOTE
    made = wire.decode(Filter, described)
    return KitFilter(id=id_, name=_capital(name), filter=made, note=note)


def _capital(words: str) -> str:
    """A name as one writes it: its first letter large, the rest as it was typed."""
    return words[:1].upper() + words[1:]
