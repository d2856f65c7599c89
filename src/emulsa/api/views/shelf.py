"""Paper and chemistry as they are shown: what is left, and whether it keeps long enough."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

from emulsa.core.kit.darkroom import bottle_trouble
from emulsa.core.kit.pace import WEEKS, bottle_says, meant_for, package_says, per_week
from emulsa.core.prints.paper_left import left_of
from emulsa.store import kit, shelf
from emulsa.store.database import Connection


@dataclass(frozen=True)
class SupplyLine:
    """A box of paper, a powder or a bottle in a line; ``share`` of a box that is left."""

    kind: Literal["paper", "powder", "bottle"]
    id: str
    name: str
    left_text: str
    share: float | None
    says: str
    amiss: bool


def supply_lines(db: Connection, today: str) -> Iterator[SupplyLine]:
    """Paper first, then what is mixed, then bottles; what says nothing is left out."""
    owned, uses = kit.everything(db), shelf.paper_uses(db)
    there = {kind: [each for each in all_ if not each.archived] for kind, all_ in owned.items()}
    for paper in there["papers"]:
        for box in left_of(paper, uses.get(paper.id, ())):
            name = f"{paper.name}, {box.size_text}"
            yield SupplyLine("paper", paper.id, name, box.left_text, box.share, box.says, box.low)
    since = (date.fromisoformat(today) - timedelta(weeks=WEEKS)).isoformat()
    runs = shelf.developed(db, since)
    for powder in there["powders"]:
        if says := package_says(powder, per_week(meant_for(powder, runs), today)):
            yield SupplyLine("powder", powder.id, powder.name, "", None, says, False)
    for bottle in there["bottles"]:
        trouble = bottle_trouble(bottle, today)
        if said := trouble or bottle_says(bottle, today):
            yield SupplyLine("bottle", bottle.id, bottle.name, "", None, said, bool(trouble))
