"""Tables of kit records as lines of text, as they are typed (``core/tables``) and read back, and
the zones of a film as one writes them."""

from __future__ import annotations

from typing import Any

from emulsa.core.chemistry.powder import Powder
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.tables import LEARNED, NOTE
from emulsa.core.tones.zones import zone_text
from emulsa.core.watch import minutes_typed
from emulsa.core.written import temperature_text


def table_texts(record: Any) -> dict[str, str]:
    """Every table and zone of a record by its path in it; none for records without."""
    if isinstance(record, FilmRecipe):
        return _recipe(record)
    if isinstance(record, Film):
        low, high = map(zone_text, record.textural_range)
        return {"textural_range.0": low, "textural_range.1": high}
    if isinstance(record, Powder):
        return {"parts": _table((each.name, each.grams) for each in record.parts)}
    if isinstance(record, PrintingPaper):
        rows = ((each.range, each.speed, each.factor, each.label) for each in record.filters)
        steps = ((each.log_h, each.density) for each in record.steps)
        return {"filters": _table(rows), "steps": _table(steps), "boxes": _boxes(record)}
    if isinstance(record, Enlarger):
        return {"focal_lengths_mm": _table((each,) for each in record.focal_lengths_mm)}
    return {}


def _recipe(record: FilmRecipe) -> dict[str, str]:
    recipe = record.recipe
    points = (
        (
            each.n,
            minutes_typed(each.minutes),
            LEARNED if each.learned else each.origin,
            each.ei,
            each.who,
            f"{NOTE} {each.note}" if each.note else "",
        )
        for each in recipe.points
    )
    ratings = (
        (each.ei, minutes_typed(each.minutes), each.origin, each.who) for each in recipe.ratings
    )
    warm = ((_degrees(each.temperature_c), minutes_typed(each.minutes)) for each in recipe.warmth)
    return {
        "recipe.points": _table(points),
        "recipe.ratings": _table(ratings),
        "recipe.warmth": _table(warm),
    }


def _boxes(paper: PrintingPaper) -> str:
    return _table(
        (
            each.width_mm,
            each.height_mm,
            each.sheets,
            *(
                f"{name} {value:g}" if isinstance(value, int | float) else f"{name} {value}"
                for name, value, usual in (
                    ("opened", each.opened, ""),
                    ("gone", each.gone, 0),
                    ("price", each.price, None),
                    ("cut", each.cut, 5),
                )
                if value != usual
            ),
        )
        for each in paper.boxes
    )


def _degrees(celsius: float) -> str:
    """In °C as the table's head says, else with the unit beside it."""
    return temperature_text(celsius).replace(" ", "").removesuffix("°C")


def _table(rows: Any) -> str:
    told = ([_word(each) for each in row if each not in (None, "")] for row in rows)
    return "\n".join("  ".join(row) for row in told)


def _word(value: Any) -> str:
    return f"{value:.10g}" if isinstance(value, (int, float)) else str(value)
