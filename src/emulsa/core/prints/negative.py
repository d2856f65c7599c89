"""The negative that is printed: where it lies, what is known of its densities."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.film.judgement import Judgement
from emulsa.core.prints.record import Inkjet, Print, PrintPlan

TEXTURE_FROM, TEXTURE_TO = 2.0, 8.5  # zones whose densities the paper must hold


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintedNegative:
    """A negative to print; its picture, when one is attached, its longer side where its format is
    known, and the densities the paper must hold, as far as they were measured."""

    exposure_id: str
    label: str
    scene_title: str
    film_name: str
    n: float | None
    best: bool
    in_bracket: bool
    picture_id: str | None
    width: int
    height: int
    low: float | None
    high: float | None
    base_fog: float | None
    long_mm: float | None = None
    film_kind: FilmKindName | None = None


def from_densities(
    judgement: Judgement | None, falls: Mapping[str, float]
) -> tuple[float | None, float | None, float | None]:
    """The lowest and highest measured density with texture, and base plus fog."""
    if judgement is None:
        return None, None, None
    spots = sorted(
        each.density
        for each in judgement.measured
        if TEXTURE_FROM <= falls.get(each.reading_id, 5.0) <= TEXTURE_TO
    )
    if len(spots) < 2 or spots[-1] <= spots[0]:
        return None, None, judgement.base_fog
    return spots[0], spots[-1], judgement.base_fog


def begun(id_: str, negative: PrintedNegative, from_scan: bool = False) -> Print:
    """A print of it begun: a plain plan, with what is known of the negative."""
    plan = PrintPlan()
    standing = negative.height > negative.width
    inkjet = Inkjet()
    if standing:
        inkjet = replace(inkjet, width_mm=inkjet.height_mm, height_mm=inkjet.width_mm)
    return Print(
        id=id_,
        exposure_id=negative.exposure_id,
        title=negative.scene_title,
        plan=replace(
            plan,
            setting=replace(plan.setting, base_fog=negative.base_fog or 0.0),
            sheet=replace(plan.sheet, turned=negative.width > negative.height),
        ),
        low=negative.low,
        high=negative.high,
        base_fog=negative.base_fog,
        inkjet=inkjet if from_scan else None,
    )


def said(negative: PrintedNegative) -> str:
    """The negative in a line: where it lies, its film, how it was developed."""
    n = "" if negative.n is None else f", {n_words(negative.n, negative.film_kind)}"
    best = ", best of its bracket" if negative.best and negative.in_bracket else ""
    return f"{negative.label} · {negative.film_name}{n}{best}"
