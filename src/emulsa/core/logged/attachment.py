"""A picture attached to an exposure, a film test or a scene: its record. The file lies beside the
data."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Label, Length, Name, Note, Within
from emulsa.core.picture.metering import Metering

PictureName = Annotated[str, Length("A picture's name", 1, 120)]
PictureType = Literal["image/jpeg", "image/png", "image/tiff"]


Share = Annotated[float, Within("A place in the picture", 0, 1)]


@dataclass(frozen=True, kw_only=True, slots=True)
class PicturePlace:
    """A place in a picture, as shares of its width and height from the upper left corner."""

    x: Share
    y: Share


@dataclass(frozen=True, kw_only=True, slots=True)
class NamedPlace:
    """A place one looks at again and again, by a name of one's own, and how near: the share of the
    picture's width that was in sight."""

    name: Name
    x: Share
    y: Share
    width: Annotated[float, Within("The width in sight", 0.001, 1)] = 0.2


NamedPlaces = Annotated[tuple[NamedPlace, ...], Length("Named places", 0, 20)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Scanned:
    """How a scan was made. ``raw``: as the sensor gave it, not as the scanner's program likes it;
    ``inverted``: turned to a positive there; ``spotted``: nothing done to it but dust taken off."""

    device: Label = ""
    per_inch: (
        Annotated[float, Within("A scan's resolution", 10, 30_000, "points an inch")] | None
    ) = None
    raw: bool = False
    inverted: bool = False
    spotted: bool = False
    note: Note = ""


def scanned_text(scanned: Scanned) -> str:
    """How a scan was made, in a line.

    >>> scanned_text(Scanned(device="flatbed", per_inch=2400, inverted=True))
    'flatbed, 2,400 points an inch, inverted'
    """
    points = f"{scanned.per_inch:,.0f} points an inch" if scanned.per_inch else ""
    done = (
        "raw" if scanned.raw else "",
        "inverted" if scanned.inverted else "",
        "only spotted" if scanned.spotted else "",
    )
    return ", ".join(each for each in (scanned.device, points, *done, scanned.note) if each)


@dataclass(frozen=True, kw_only=True, slots=True)
class Attachment:
    """A picture: its name as it came, what it is, the digest its file is named by; the places one
    looks at in it, how it was scanned, and what it is metered by when it is a scene's."""

    id: Id
    exposure_id: Id | None = None
    test_id: Id | None = None
    scene_id: Id | None = None
    name: PictureName
    media_type: PictureType
    bytes: Annotated[int, Within("A picture's size", 1, 2**40, "bytes")]
    width: Annotated[int, Within("A picture's width", 1, 1_000_000)]
    height: Annotated[int, Within("A picture's height", 1, 1_000_000)]
    digest: Annotated[str, Length("A picture's digest", 64, 64)]
    added_at: Label
    note: Note = ""
    places: NamedPlaces = ()
    scanned: Scanned | None = None
    metering: Metering | None = None

    def __post_init__(self) -> None:
        if len({each.name for each in self.places}) < len(self.places):
            raise Unsound("Each place needs a name of its own.", field="places")
        if [self.exposure_id, self.test_id, self.scene_id].count(None) != 2:
            raise Unsound(
                "A picture belongs to one exposure, to one film test, or to one scene.",
                field="exposure_id",
            )
