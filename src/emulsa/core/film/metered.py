"""The metered spots of a negative, as its exposure kept them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.logged.record import Exposure
from emulsa.core.tones.zones import zone_text


@dataclass(frozen=True, kw_only=True, slots=True)
class MeteredSpot:
    """A reading, the zone it was meant to fall on, and the patch of a strip nearest to it."""

    reading_id: str
    label: str
    zone: float
    zone_text: str
    patch: int


def metered_spots(exposures: Sequence[Exposure]) -> tuple[MeteredSpot, ...]:
    """From the lowest tone on; none where light of several exposures lies on the film, or where the
    plan was not kept."""
    if len(exposures) != 1:
        return ()
    (exposure,) = exposures
    labels = {each["id"]: each.get("label", "") for each in exposure.request.get("readings", ())}
    falls = sorted(exposure.answer.get("falls", ()), key=lambda each: float(each["zone"]))
    return tuple(
        MeteredSpot(
            reading_id=each["id"],
            label=labels.get(each["id"]) or "reading",
            zone=each["zone"],
            zone_text=zone_text(each["zone"]),
            patch=round(each["zone"]) + 1,
        )
        for each in falls
        if not each.get("incident")
    )
