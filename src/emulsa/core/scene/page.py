"""A scene on one page: its picture with the places that were read, the print to come, the plan."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from emulsa.core.light.reading_text import reading_text
from emulsa.core.scene.metered import names
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.seeing import PictureSeen
from emulsa.core.scene.solve import Solution


@dataclass(frozen=True, kw_only=True, slots=True)
class PagePlace:
    """A reading where it lies in the picture, by its number in the table."""

    number: int
    x: float
    y: float


@dataclass(frozen=True, kw_only=True, slots=True)
class ScenePage:
    """What stands on the page; pictures as a file's bytes, none where there is none. ``rows`` are
    readings: their number, name, what was read, where it falls and what it prints as."""

    title: str
    says: str
    ratio: float
    picture: tuple[int, ...]
    printed: tuple[int, ...]
    captions: tuple[str, str]
    places: tuple[PagePlace, ...]
    rows: tuple[tuple[str, ...], ...]
    sums: tuple[tuple[str, ...], ...]
    facts: tuple[tuple[str, str], ...]
    notes: tuple[str, ...]


def scene_page(
    scene: Scene,
    kit: SceneKit,
    where: str,
    solution: Solution,
    seen: PictureSeen | None,
    files: tuple[bytes, bytes],
    ratio: float,
) -> ScenePage:
    """The page of a scene as it stands; ``where`` says its day, ``files`` are its picture and the
    print to come."""
    order = {each.id: place for place, each in enumerate(scene.readings, start=1)}
    shown = seen.prints[0] if seen and seen.prints else None
    return ScenePage(
        title=scene.title,
        says=where,
        ratio=ratio,
        picture=tuple(files[0]),
        printed=tuple(files[1]),
        captions=(
            f"as the light falls, {seen.says}" if seen else "",
            f"as it will print, {shown.n_text}: {shown.says}" if shown else "",
        ),
        places=tuple(
            PagePlace(number=order[each.id], x=each.x, y=each.y)
            for each in (seen.places if seen else ())
        ),
        rows=tuple(_rows(scene, solution)),
        sums=tuple(_sums(solution)),
        facts=tuple(_facts(scene, kit, solution)),
        notes=tuple(_notes(solution, seen)),
    )


def _rows(scene: Scene, solution: Solution) -> Iterator[tuple[str, ...]]:
    named, falls = names(scene), {each.id: each for each in solution.falls}
    for place, each in enumerate(scene.readings, start=1):
        fall = falls.get(each.id)
        where = f"{fall.zone_text} {fall.doubt_text}".strip() if fall else ""
        prints = fall.lands_text if fall else ""
        yield (str(place), named[each.id], reading_text(each.reading), where, prints)


def _sums(solution: Solution) -> Iterator[tuple[str, ...]]:
    for row in solution.answer.ledger if solution.answer else ():
        yield (row.label, row.stops_text, row.time_text)


def _facts(scene: Scene, kit: SceneKit, solution: Solution) -> Iterator[tuple[str, str]]:
    answer = solution.answer
    if answer:
        yield "exposure", f"{answer.set.aperture}, {answer.set.text}"
        n = f"{answer.development.n_text} {answer.development.doubt_text}".strip()
        minutes = solution.development.minutes_text if solution.development else ""
        yield "development", " · ".join(each for each in (n, minutes) if each)
    yield "placement", solution.placement
    if kit.film:
        yield "film", kit.film.name
    if on := kit.lens or kit.pinhole:
        yield "lens" if kit.lens else "pinhole", on.name
    if kit.filters:
        yield "filters", ", ".join(each.name for each in kit.filters)
    if scene.intention:
        yield "meant to show", scene.intention
    if scene.note:
        yield "note", scene.note


def _notes(solution: Solution, seen: PictureSeen | None) -> Sequence[str]:
    told = solution.answer.advice if solution.answer else ()
    return tuple(each.text for each in (*told, *(seen.advice if seen else ())))
