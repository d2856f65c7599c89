"""The pictures of an exposure as its story shows them: how they were scanned, what lies beside."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Db
from emulsa.core.film.pieces import Piece
from emulsa.core.logged.attachment import Attachment, scanned_text
from emulsa.core.logged.comparison import MOST
from emulsa.core.logged.record import Exposure
from emulsa.core.versions import version_of
from emulsa.store import attachments


@dataclass(frozen=True)
class ScanTold:
    """How a picture was scanned, in a line, and the version of that."""

    text: str
    version: str


@dataclass(frozen=True)
class Together:
    """Scans that belong side by side with this negative's, in words; the pictures' ids."""

    says: str
    picture_ids: tuple[str, ...]


def scan_told(of: Attachment) -> ScanTold:
    """How a picture was scanned, as it is shown and changed."""
    if of.scanned is None:
        return ScanTold("", "")
    return ScanTold(scanned_text(of.scanned), version_of(of.scanned))


def together(db: Db, exposure: Exposure, piece: Piece) -> tuple[Together, ...]:
    """With which scans one would lay this negative's, as far as there are at least two."""
    own = attachments.of_exposure(db, exposure.id)
    beside = {
        "its bracket": attachments.first_of_bracket(db, exposure.bracket_id),
        "its roll": attachments.first_of_roll(db, piece.roll_id),
        "its scene": attachments.first_of_scene(db, exposure.scene_id),
    }
    found: dict[tuple[str, ...], str] = {}
    for says, others in beside.items():
        ids = tuple(dict.fromkeys(each.id for each in (*own[:1], *others)))[:MOST]
        if own and len(ids) > 1:
            found.setdefault(ids, says)
    return tuple(Together(says, ids) for ids, says in found.items())
