"""The mixing sheet: every bath of a run, and stock from powder, line by line.

A line is one thing to do. Water is measured first, at the temperature the bath is wanted at, when
there is a second water to bring it there; concentrates come after, acid into water.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.chemistry import dilution
from emulsa.core.chemistry.powder import Powder
from emulsa.core.chemistry.tempering import tempered
from emulsa.core.data.cautions import ALWAYS, CAUTIONS, HOT, MAKER, POWDER, poisons
from emulsa.core.data.line import WHERE
from emulsa.core.development.recipes import Recipe
from emulsa.core.kit.darkroom import Bath, Line, Tank
from emulsa.core.limits import Within
from emulsa.core.numbers import plain
from emulsa.core.written import degrees_text, temperature_text, volume_text

WaterC = Annotated[float, Within("The water", 0, 60, "°C")]
WARM_C = 45.0  # from here on water is called hot


@dataclass(frozen=True, kw_only=True, slots=True)
class Water:
    """What comes from the tap and what it is brought to warmth with: hot, or ice water."""

    tap_c: WaterC
    other_c: WaterC


@dataclass(frozen=True, kw_only=True, slots=True)
class MixingPart:
    """A bath to mix: what it is, its volume, the lines to follow, and what to beware of."""

    title: str
    volume_ml: float
    lines: tuple[str, ...]
    cautions: tuple[str, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class MixingSheet:
    """Baths in the order they are mixed; ``degrees`` how warm, in the photographer's unit."""

    title: str
    degrees: str
    parts: tuple[MixingPart, ...]
    cautions: tuple[str, ...] = (ALWAYS, CAUTIONS["thermometer"], MAKER)


def for_run(
    title: str,
    line: Line,
    tank: Tank,
    recipe: Recipe,
    developer_ml: float,
    at_c: float,
    water: Water | None,
    ready: Collection[str] = (),
) -> MixingSheet:
    """The developer first, then every bath of the line that is diluted, in the tank's volume; not
    those of the kinds that stand ``ready`` in bottles.

    Impossible when the two waters cannot make the temperature, Unreadable for a dilution that has
    no meaning.
    """
    name = recipe.developer or "developer"
    name = name[0].upper() + name[1:]
    parts = [_part(name, "developer", recipe.dilution, recipe.colon, developer_ml, at_c, water)]
    for bath in line.baths:
        if bath.kind == "developer" or not bath.dilution or bath.kind in ready:
            continue
        volume = tank.volume_ml if WHERE[bath.kind][0] == "tank" else bath.volume_ml
        parts.append(_bath(bath, volume or tank.volume_ml, at_c, water))
    cautions = [ALWAYS, CAUTIONS["thermometer"], MAKER]
    if water is not None and max(water.tap_c, water.other_c) >= WARM_C:
        cautions.insert(1, HOT)
    return MixingSheet(
        title=title,
        degrees=degrees_text(at_c),
        parts=tuple(parts),
        cautions=tuple(cautions),
    )


def for_powder(powder: Powder) -> MixingSheet:
    """Stock from powder."""
    text, warm = volume_text, temperature_text(powder.start_c)
    lines = [f"Measure {text(powder.start_ml)} of water at {warm}."]
    for place, part in enumerate(powder.parts):
        grams = f"{plain(part.grams)} g of " if part.grams is not None else "all of "
        wait = (
            "stir until it is clear" if place + 1 == len(powder.parts) else "stir until it is gone"
        )
        lines.append(f"Pour in {grams}{part.name} slowly, close to the water; {wait}.")
    lines.append(
        f"Make up with cold water to {text(powder.volume_ml)}"
        f" (about {text(powder.volume_ml - powder.start_ml)} more)."
    )
    lines.append("Let it cool to room temperature, closed; write the day on the bottle.")
    cautions = [POWDER]
    if powder.start_c >= WARM_C:
        cautions.append(HOT)
    if poisons(powder.name):
        cautions.append(CAUTIONS["poison"])
    made = MixingPart(
        title=powder.name,
        volume_ml=powder.volume_ml,
        lines=tuple(lines),
        cautions=tuple(cautions),
    )
    degrees = degrees_text(powder.start_c)
    return MixingSheet(title=powder.name, degrees=degrees, parts=(made,))


def _part(
    title: str,
    kind: str,
    dilution_text: str,
    colon: dilution.Colon | None,
    volume_ml: float,
    at_c: float,
    water: Water | None,
) -> MixingPart:
    parts = dilution.mix(dilution_text, volume_ml, colon)
    two = any(each.part == "A" for each in parts)
    lines = tuple(_lines(title, parts, volume_ml, at_c, water))
    cautions = [CAUTIONS[each] for each in (kind, "two parts" if two else "") if each in CAUTIONS]
    if poisons(title):
        cautions.append(CAUTIONS["poison"])
    return MixingPart(title=title, volume_ml=volume_ml, lines=lines, cautions=tuple(cautions))


def _bath(bath: Bath, volume_ml: float, at_c: float, water: Water | None) -> MixingPart:
    """A bath of the line; hardener goes in last, so that acid and concentrate are thin by then."""
    if bath.kind != "fixer" or not bath.hardener:
        return _part(bath.name, bath.kind, bath.dilution, bath.colon, volume_ml, at_c, water)
    hardener_ml = volume_ml * dilution.concentrate_share(dilution.mix(bath.hardener, volume_ml))
    fixer = _part(
        bath.name, bath.kind, bath.dilution, bath.colon, volume_ml - hardener_ml, at_c, water
    )
    last = f"Add {volume_text(hardener_ml)} of hardener slowly, stirring: {volume_text(volume_ml)}."
    return replace(
        fixer,
        volume_ml=volume_ml,
        lines=(*fixer.lines, last),
        cautions=(*fixer.cautions, CAUTIONS["hardener"]),
    )


def _lines(
    title: str,
    parts: tuple[dilution.Mixed, ...],
    volume_ml: float,
    at_c: float,
    water: Water | None,
) -> Iterator[str]:
    text = volume_text
    warm = temperature_text(at_c)
    by_name = {each.part: each.ml for each in parts}
    if "stock" in by_name:
        yield f"Measure {text(by_name['stock'])} of {title}, undiluted."
        yield f"Bring it to {warm} in a water bath."
        return
    if "water" not in by_name:
        for name, ml in by_name.items():
            yield f"Measure {text(ml)} of part {name} into a vessel of its own."
        yield f"Bring both to {warm} in a water bath; keep them apart: B never gets into A."
        return
    yield from _water(by_name["water"], at_c, water)
    for name, ml in by_name.items():
        if name == "concentrate":
            yield f"Add {text(ml)} of concentrate; stir."
        elif name != "water":
            yield f"With syringe {name}, and no other: add {text(ml)} of part {name}; stir."
    yield f"{text(volume_ml)} of {title}: check it is at {warm}."


def _water(ml: float, at_c: float, water: Water | None) -> Iterator[str]:
    text, degrees = volume_text, temperature_text
    if water is None:
        yield f"Measure {text(ml)} of water at {degrees(at_c)}."
        return
    made = tempered(ml, at_c, water.tap_c, water.other_c)
    yield f"Measure {text(made.first_ml)} of water from the tap, {degrees(water.tap_c)}."
    if made.added_ml > 0:
        kind = "hot" if water.other_c > water.tap_c else "cold"
        yield (
            f"Add {text(made.added_ml)} of {kind} water, {degrees(water.other_c)}:"
            f" {text(ml)} at {degrees(at_c)}."
        )
