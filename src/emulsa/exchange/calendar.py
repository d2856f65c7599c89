"""An evening as a calendar file, iCalendar (RFC 5545), written by the ``icalendar`` package."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Annotated

from emulsa.core.errors import Unsound
from emulsa.core.limits import Length

Moment = Annotated[str, Length("A moment", 16, 40)]


@dataclass(frozen=True)
class Entry:
    """One thing of the evening, in seconds from its beginning."""

    id: str
    title: str
    start_s: float
    end_s: float
    note: str


def ics(begins_at: str, entries: Iterable[Entry]) -> bytes:
    """The file; ``begins_at`` is ISO 8601 with its offset. Unsound for a moment there is not."""
    # Loaded when the first calendar is asked for: most days nobody plans one.
    from icalendar import Calendar, Event

    try:
        begins = datetime.fromisoformat(begins_at)
    except ValueError:
        begins = None
    if begins is None or begins.tzinfo is None:
        raise Unsound(
            f"“{begins_at}” is no moment; write 2026-01-17T19:30+01:00.", field="begins_at"
        )
    begins = begins.astimezone(UTC)  # an offset alone names no time zone; UTC needs none
    calendar = Calendar()
    calendar.add("prodid", "-//Emulsa//Evening//EN")
    calendar.add("version", "2.0")
    for entry in entries:
        event = Event()
        event.add("uid", f"{entry.id}@emulsa")
        event.add("summary", entry.title)
        event.add("dtstamp", begins)
        event.add("dtstart", begins + timedelta(seconds=round(entry.start_s)))
        event.add("dtend", begins + timedelta(seconds=round(entry.end_s)))
        if entry.note:
            event.add("description", entry.note)
        calendar.add_component(event)
    return bytes(calendar.to_ical())
