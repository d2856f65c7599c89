"""A picture attached to an exposure or a film test: its record. The file lies beside the data."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Label, Length, Note, Within

PictureName = Annotated[str, Length("A picture's name", 1, 120)]
PictureType = Literal["image/jpeg", "image/png", "image/tiff"]


Share = Annotated[float, Within("A place in the picture", 0, 1)]


@dataclass(frozen=True, kw_only=True, slots=True)
class PicturePlace:
    """A place in a picture, as shares of its width and height from the upper left corner."""

    x: Share
    y: Share


@dataclass(frozen=True, kw_only=True, slots=True)
class Attachment:
    """A picture: its name as it came, what it is, and the digest its file is named by."""

    id: Id
    exposure_id: Id | None = None
    test_id: Id | None = None
    name: PictureName
    media_type: PictureType
    bytes: Annotated[int, Within("A picture's size", 1, 2**40, "bytes")]
    width: Annotated[int, Within("A picture's width", 1, 1_000_000)]
    height: Annotated[int, Within("A picture's height", 1, 1_000_000)]
    digest: Annotated[str, Length("A picture's digest", 64, 64)]
    added_at: Label
    note: Note = ""

    def __post_init__(self) -> None:
        if (self.exposure_id is None) == (self.test_id is None):
            raise Unsound(
                "A picture belongs to one exposure, or to one film test.", field="exposure_id"
            )
