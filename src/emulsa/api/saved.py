"""A file that was saved out there: what was done, and the pictures that were attached."""

from __future__ import annotations

import base64
from dataclasses import dataclass
from typing import Annotated
from urllib.parse import parse_qsl, unquote, urlsplit

from emulsa.api.files import serve_file
from emulsa.api.handing import LATER, CameOf, HandIn, hand_in
from emulsa.api.house import House
from emulsa.api.route import Asked
from emulsa.api.routing import TABLE
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.limits import Id, Length
from emulsa.core.moments import Moment

PictureAddress = Annotated[str, Length("The address of a picture", 1, 2_000)]


@dataclass(frozen=True, kw_only=True)
class SavedPicture:
    """A picture as it was attached: the id of the act, when, the address it was sent to with its
    name and what it shows, and its file in base64."""

    id: Id
    moment: Moment
    target: PictureAddress
    content: str


@dataclass(frozen=True, kw_only=True)
class Saved(HandIn):
    """What was done out there, and the pictures."""

    pictures: tuple[SavedPicture, ...] = ()


def hand_in_saved(house: House, saved: Saved) -> tuple[tuple[CameOf, ...], tuple[str, ...]]:
    """Acts, then the pictures of what they logged, each once however often. What came of every act,
    and why pictures are not taken; Busy, Unwritable or Stopping: hand the file in again."""
    came = hand_in(house, saved)
    return came, tuple(filter(None, (_attached(house, each) for each in saved.pictures)))


def _attached(house: House, picture: SavedPicture) -> str:
    """Empty, or why it is not taken."""
    query: dict[str, str] = {}
    try:
        try:
            address = urlsplit(picture.target)
            query = dict(parse_qsl(address.query, keep_blank_values=True))
            content = base64.b64decode(picture.content, validate=True)
        except ValueError:
            raise Unreadable("The picture in this file is damaged.") from None
        path = {"id": unquote(address.path.rsplit("/", 1)[-1])}
        asked = Asked(path, query, b"", None, picture.id, picture.moment)
        serve_file(TABLE["attachments.attach"], house, asked, content)
    except LATER:
        raise
    except CoreError as refused:
        return f"{query.get('name', 'picture')}: {refused.message}"
    return ""
