"""Planning an evening: which film shares a run, what is mixed for it, and when what is done."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.lookup import needed
from emulsa.api.replies import ICS, attached
from emulsa.api.routing import Db, File, Routes, now
from emulsa.api.views.darkroom import WAITING_AT_ONCE, waiting
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.evening_plan import EveningPlan
from emulsa.core.darkroom.night import Night, Planning, planned
from emulsa.exchange.calendar import Entry, Moment, ics
from emulsa.store import darkroom, films, holders, pieces

routes = Routes("evening", "/api/evening")


@dataclass(frozen=True, kw_only=True)
class Dated:
    """An evening and the moment it begins."""

    planning: Planning
    begins_at: Moment


@routes.question("", "POST")
def plan_evening(db: Db, planning: Planning) -> EveningPlan:
    """Plan the evening; nothing is kept."""
    return planned(_night(db, planning), planning)


@routes.question("/calendar.ics", "POST", media_type=ICS)
def calendar(db: Db, dated: Dated) -> File:
    """The planned evening as a calendar file: each run from its first bath to its last."""
    evening = planned(_night(db, dated.planning), dated.planning)
    spans = plan.spans(evening.tasks)
    entries = [
        Entry(
            id=f"{each.id}-{dated.begins_at}",
            title=f"{each.name}: {each.minutes_text}",
            start_s=spans[each.id][0],
            end_s=spans[each.id][1],
            note=", ".join(piece.where for piece in each.pieces),
        )
        for each in evening.runs
    ]
    return attached(ics(dated.begins_at, entries), ICS, "evening", "ics", "attachment")


def _night(db: Db, planning: Planning) -> Night:
    said = "This bath sequence is not in the kit."
    film, _ = waiting(db)
    return Night(
        tanks={each.id: each for each in darkroom.tanks(db)},
        line=needed(darkroom.line(db, planning.line_id), said, "line_id"),
        films={each.id: each for each in films.films(db)},
        recipes={each.id: each for each in films.recipes(db)},
        bottles={each.id: each for each in darkroom.bottles(db)},
        pieces={each.id: each for each in pieces.latest_in_state(db, "exposed", WAITING_AT_ONCE)},
        waiting=film,
        areas=holders.areas(db),
        now=now(),
    )
