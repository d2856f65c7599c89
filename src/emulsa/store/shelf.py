"""What is used up: paper by prints and test strips, chemistry by the film that went through it."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.chemistry.film_area import rolls
from emulsa.core.kit.pace import DevelopedThen
from emulsa.core.prints.paper_left import PaperUse
from emulsa.store import holders, pieces

SIZE = """
    json_extract({plan}, '$.sheet.width_mm') AS width_mm,
    json_extract({plan}, '$.sheet.height_mm') AS height_mm,
    json_extract({plan}, '$.paper_id') AS paper_id
"""


def paper_uses(connection: Connection) -> dict[str, list[PaperUse]]:
    """Every print that was made and every strip that was kept, by the paper it was on."""
    tried, planned = SIZE.format(plan="print_try.plan"), SIZE.format(plan="print.plan")
    found = connection.execute(
        f"""
        SELECT print_try.at, 0 AS strip, {tried} FROM print_try
        UNION ALL
        SELECT print_strip.at, 1, {planned} FROM print_strip
        JOIN print ON print.id = print_strip.print_id
        """
    )
    uses: dict[str, list[PaperUse]] = {}
    for row in found:
        if row["paper_id"] and row["at"]:
            uses.setdefault(row["paper_id"], []).append(
                PaperUse(
                    width_mm=row["width_mm"],
                    height_mm=row["height_mm"],
                    day=row["at"][:10],
                    strip=bool(row["strip"]),
                )
            )
    return uses


def developed(connection: Connection, since: str) -> list[DevelopedThen]:
    """The runs of one's own that were over since a day."""
    found = connection.execute(
        """
        SELECT run.id, run.developed_at, json_extract(recipe.recipe, '$.developer') AS developer
        FROM run
        LEFT JOIN recipe ON recipe.id = run.recipe_id
        WHERE run.developed_at >= :since AND run.laboratory = ''
        """,
        {"since": since},
    ).fetchall()
    areas = holders.areas(connection)
    return [
        DevelopedThen(
            day=row["developed_at"][:10],
            rolls=rolls(areas.in2(pieces.of_run(connection, row["id"]))),
            developer=row["developer"] or "",
        )
        for row in found
    ]
