"""Undo and redo of whole actions."""

from __future__ import annotations

from emulsa.api.answers import Routes
from emulsa.api.connection import Db
from emulsa.store import journal

router = Routes(prefix="/api", tags=["journal"])


@router.get("/journal")
def reach(db: Db) -> journal.Reach:
    """What undo and redo would do next."""
    return journal.reach(db)


@router.post("/undo")
def undo(db: Db) -> journal.Action:
    """Take the last action back."""
    return journal.undo(db)


@router.post("/redo")
def redo(db: Db) -> journal.Action:
    """Bring the last undone action again."""
    return journal.redo(db)
