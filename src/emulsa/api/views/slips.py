"""Exposures as slips, as their plans were kept: the same drawing in the log and in the darkroom."""

from __future__ import annotations

from emulsa.api.routing import Db
from emulsa.core.exposing.slip import Slip
from emulsa.core.logged.slip import kept_slip
from emulsa.store import exposures


def slips(db: Db, exposure_ids: list[str]) -> dict[str, Slip]:
    """The slips of these exposures; none for those that were brought in without readings."""
    drawn = ((id_, kept_slip(kept)) for id_, kept in exposures.tones(db, exposure_ids).items())
    return {id_: slip for id_, slip in drawn if slip is not None}
