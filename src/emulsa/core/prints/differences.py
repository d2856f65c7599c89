"""What is otherwise in one plan of a print than in another."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from emulsa.core.prints.bars import seconds_text, through_text
from emulsa.core.prints.lamp import on_its_own
from emulsa.core.prints.record import PlannedArea, PrintPlan, PrintTry
from emulsa.core.written import size_text, size_words


def told(tries: Sequence[PrintTry]) -> Iterator[tuple[str, ...]]:
    """How each print that was made differs from the one before it."""
    before = None
    for each in tries:
        yield tuple(differences(before, each.plan)) if before else ()
        before = each.plan


def differences(before: PrintPlan, now: PrintPlan) -> Iterator[str]:
    """What a plan does otherwise than the one before, a sentence each."""
    old = {each.id: each for each in before.parts}
    for part in now.parts:
        was = old.get(part.id)
        if was is None:
            yield f"{part.label} {seconds_text(part.seconds)}, new"
        elif abs(part.seconds - was.seconds) > 0.05 or part.label != was.label:
            yield f"{part.label} {seconds_text(part.seconds)}, was {seconds_text(was.seconds)}"
    yield from (
        f"no {each.label.lower()}"
        for each in before.parts
        if each.id not in {part.id for part in now.parts}
    )
    yield from _areas(before.areas, now.areas)
    if before.setting != now.setting:
        yield (
            f"f/{now.setting.aperture}, {now.setting.magnification:.3g} ×; was"
            f" f/{before.setting.aperture}, {before.setting.magnification:.3g} ×"
        )
    if before.paper_id != now.paper_id:
        yield "another paper"


def _areas(before: Sequence[PlannedArea], now: Sequence[PlannedArea]) -> Iterator[str]:
    old = {each.id: each for each in before}
    for area in now:
        was = old.get(area.id)
        if was is None:
            yield f"{area_text(area)}, new"
        elif replace(area, label="", shape=None) != replace(was, label="", shape=None):
            yield f"{area_text(area)}; was {area_text(was)}"
        elif area.shape != was.shape:
            yield f"{area.label} drawn otherwise"
    yield from (f"{each.label} left alone" for each in before if each.id not in {a.id for a in now})


def amount_text(area: PlannedArea) -> str:
    sign = "+" if area.act == "burn" else "−"
    if area.stops is None:
        return f"{sign}{seconds_text(area.seconds or 0)}"
    return f"{sign}{size_text(area.stops)}"


def area_text(area: PlannedArea) -> str:
    """What an area gets, in words.

    >>> area_text(PlannedArea(id="a", label="Sky", act="burn", part="hard", stops=1))
    'Sky burned 1 stop'
    """
    if on_its_own(area):
        return f"{area.label} burned {seconds_text(area.seconds or 0)} by {through_text(area)}"
    verb = "burned" if area.act == "burn" else "held back"
    if area.stops is not None:
        return f"{area.label} {verb} {size_words(area.stops)}"
    return f"{area.label} {verb} {seconds_text(area.seconds or 0)}"
