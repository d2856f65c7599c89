"""Undo and redo of whole acts."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Act, Db, Routes
from emulsa.store import journal, turning

routes = Routes("journal", "/api")


@dataclass(frozen=True, kw_only=True)
class Expected:
    """The action that undo or redo is meant for."""

    action_id: int


@routes.question("/journal")
def reach(db: Db) -> journal.Reach:
    """What undo and redo would do next."""
    return journal.reach(db)


@routes.undo("/undo")
def undo(act: Act, expected: Expected) -> journal.Action:
    """Take the last action back; refused when it is not the expected one."""
    return act.replayed(turning.undo(act.db, expected.action_id))


@routes.undo("/redo")
def redo(act: Act, expected: Expected) -> journal.Action:
    """Bring the last undone action again; refused when it is not the expected one."""
    return act.replayed(turning.redo(act.db, expected.action_id))
