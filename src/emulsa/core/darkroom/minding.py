"""What to mind while film is in a bath, by the bath and how film is moved in it."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.darkroom.process import TimedStep
from emulsa.core.data.agitation import IN_TRAYS
from emulsa.core.data.cautions import MIND, TRAY
from emulsa.core.development.agitation import SchemeKey


def minds(steps: Iterable[TimedStep], developer_moved: SchemeKey | None) -> tuple[str, ...]:
    """A line for each step, empty where nothing is to be said."""
    return tuple(_mind(each.kind, developer_moved) for each in steps)


def _mind(kind: str, developer_moved: SchemeKey | None) -> str:
    if kind == "developer" and developer_moved in IN_TRAYS:
        return TRAY
    return MIND.get(kind, "")
