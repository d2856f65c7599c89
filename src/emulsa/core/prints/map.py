"""The map of a print: the picture with its numbered areas, every time, paper, bath and try."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.data.cautions import TONER
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.hand_time import watch_text
from emulsa.core.prints.bars import seconds_text
from emulsa.core.prints.differences import area_text, told
from emulsa.core.prints.layout import mask_text
from emulsa.core.prints.negative import PrintedNegative, said
from emulsa.core.prints.record import PlannedArea, Print, PrintPlan, PrintTry
from emulsa.core.prints.worked import PrintWorked, worked_out
from emulsa.core.written import day_words, length_text


@dataclass(frozen=True, kw_only=True, slots=True)
class MapArea:
    """An area on the picture: its number, its outline as shares, what it gets."""

    number: int
    points: tuple[tuple[float, float], ...]
    kind: str
    dodge: bool
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintMap:
    """The page."""

    title: str
    says: str
    ratio: float
    picture: tuple[int, ...]
    areas: tuple[MapArea, ...]
    rows: tuple[tuple[str, str], ...]
    total: str
    facts: tuple[tuple[str, str], ...]
    baths: tuple[tuple[str, str], ...]
    tries: tuple[tuple[str, str, str], ...]
    notes: tuple[str, ...]


def print_map(
    print_: Print,
    tries: Sequence[PrintTry],
    negative: PrintedNegative,
    paper: PrintingPaper | None,
    picture: bytes = b"",
) -> PrintMap:
    """The map of the plan as it stands, over a small picture of the negative (a JPEG's bytes)."""
    size = (negative.width, negative.height) if negative.width else None
    worked = worked_out(print_, paper, size)
    return PrintMap(
        title=print_.title,
        says=said(negative),
        ratio=negative.width / negative.height if negative.height else 1.25,
        picture=tuple(picture),
        areas=tuple(_area(place, each) for place, each in enumerate(print_.plan.areas, start=1)),
        rows=tuple(_rows(worked)),
        total=seconds_text(worked.total_s),
        facts=tuple(_facts(print_.plan, paper, worked)),
        baths=tuple((each.name, watch_text(each.seconds)) for each in paper.baths) if paper else (),
        tries=tuple(_tries(tries)),
        notes=(TONER,),
    )


def table(print_: Print, paper: PrintingPaper | None) -> list[list[object]]:
    """The plan as rows of a table: what, act, part, seconds, stops, what the clock is set to."""
    worked = worked_out(print_, paper, None)
    rows: list[list[object]] = [["what", "act", "seconds", "set_s", "starts_s"]]
    for row in worked.rows:
        rows.append([row.title, row.act, round(row.seconds, 2), round(row.set_s, 2), ""])
        rows += [
            [each.label, "dodge", round(each.hold_s, 2), "", round(each.start_s, 2)]
            for each in row.holds
        ]
    return rows


def _rows(worked: PrintWorked) -> list[tuple[str, str]]:
    rows = []
    for row in worked.rows:
        rows.append((row.title, row.text))
        rows += [
            (
                f"   hold {each.label.lower()} from {seconds_text(each.start_s)}",
                seconds_text(each.hold_s),
            )
            for each in row.holds
        ]
    return rows


def _facts(
    plan: PrintPlan, paper: PrintingPaper | None, worked: PrintWorked
) -> list[tuple[str, str]]:
    sheet = plan.sheet
    facts = [
        ("Enlarger", f"f/{plan.setting.aperture}, {plan.setting.magnification:.3g} ×"),
        ("Paper", f"{paper.name}, {paper.surface}".rstrip(", ") if paper else "not chosen"),
        ("Sheet", f"{length_text(sheet.width_mm)} × {length_text(sheet.height_mm)}"),
        ("Image", f"longer side {length_text(sheet.image_long_mm)}"),
    ]
    if covered := mask_text(sheet.mask):
        facts.append(("Mask", covered))
    if sheet.black_edge_mm:
        facts.append(("Black border by flash", length_text(sheet.black_edge_mm)))
    if worked.layout.matted:
        facts.append(("Mat", worked.layout.matted.text))
    if plan.drying_down:
        facts.append(("Drying down", f"{100 * plan.drying_down:.0f} % off every time"))
    if plan.lamp_lag_s:
        facts.append(("Lamp lag", f"{plan.lamp_lag_s:.1f} s more on the clock"))
    if worked.grade_text:
        facts.append(("Negative", worked.grade_text))
    return facts


def _tries(tries: Sequence[PrintTry]) -> list[tuple[str, str, str]]:
    lines = []
    for each, changes in zip(tries, told(tries), strict=True):
        name = f"Print {each.number}" + (", final" if each.final else "")
        day = day_words(each.at[:10]) if each.at else ""
        showed = "; ".join(
            filter(None, (each.says, *(mark.says for mark in each.marks), each.next_time))
        )
        showed = "; ".join(filter(None, (", ".join(changes), showed)))
        kept = ", ".join(filter(None, (each.edition, each.toning, each.developer, each.hangs)))
        lines.append((name, day, "; ".join(filter(None, (showed, kept)))))
    return lines


def _area(number: int, area: PlannedArea) -> MapArea:
    shape = area.shape
    points = tuple((each.x, each.y) for each in shape.points) if shape else ()
    return MapArea(
        number=number,
        points=points,
        kind=shape.kind if shape else "",
        dodge=area.act == "dodge",
        text=area_text(area),
    )
