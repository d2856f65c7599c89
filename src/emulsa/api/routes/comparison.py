"""Negatives looked at together: their scans, what is not the same about them, their greys."""

from __future__ import annotations

from typing import Annotated

from emulsa.api.lookup import needed
from emulsa.api.routing import Db, House, Routes
from emulsa.api.views.comparison import Comparison, compared
from emulsa.core.limits import Length
from emulsa.core.logged.attachment import Share
from emulsa.core.logged.comparison import chosen
from emulsa.store import attachments

routes = Routes("comparison", "/api/comparison")

Ids = Annotated[str, Length("The pictures", 1, 500)]


@routes.question("")
def read(
    db: Db, house: House, of: Ids, x: Share | None = None, y: Share | None = None
) -> Comparison:
    """One to six scans by their ids, a comma between; ``x`` and ``y`` where greys are matched."""
    said = "A picture was not found; it may have been taken off."
    found = [needed(attachments.attachment(db, each), said, "of") for each in chosen(of)]
    place = None if x is None or y is None else (x, y)
    return compared(db, house.attachments, found, place)
