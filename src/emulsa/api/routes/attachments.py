"""Pictures attached to an exposure: handed in raw, checked by content, with thumbnails."""

from __future__ import annotations

from pathlib import Path
from typing import Annotated, Any

from fastapi import Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import FileResponse

from emulsa.api.answers import Routes
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import disposition
from emulsa.api.uploads import received
from emulsa.core import wire
from emulsa.core.limits import Id
from emulsa.exchange import pictures
from emulsa.store import attachments as store
from emulsa.store import exposures, journal
from emulsa.store.attachments import Attachment
from emulsa.store.database import Connection

router = Routes(prefix="/api/attachments", tags=["attachments"])

PICTURE: dict[int | str, dict[str, Any]] = {
    200: {"content": {kind: {} for kind, _ in pictures.MEDIA.values()}}
}
BODY = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}


@router.put("/{id}", openapi_extra=BODY)
async def attach(
    id: str,  # noqa: A002
    request: Request,
    db: Db,
    exposure_id: Annotated[str, Query(min_length=1, max_length=64)],
    name: Annotated[str, Query(min_length=1, max_length=120)],
) -> Attachment:
    """Attach a JPEG, PNG or TIFF picture; handed in twice, it is attached once."""
    wire.decode(Id, id, "id")
    wire.decode(str, name, "name")
    folder = _folder(request)
    async with received(request, folder) as path:
        return await run_in_threadpool(_attach, db, folder, path, id, exposure_id, name)


@router.get("/{id}", response_class=FileResponse, responses=PICTURE)
def original(id: str, request: Request, db: Db) -> Response:  # noqa: A002
    """The picture as it was handed in, to save."""
    found = _found(db, id)
    path = pictures.original(_folder(request), found.digest, found.media_type)
    return _file(path, found.media_type, {"content-disposition": disposition(found.name)})


@router.get("/{id}/thumbnail", response_class=FileResponse, responses=PICTURE)
def thumbnail(id: str, request: Request, db: Db) -> Response:  # noqa: A002
    """The picture in small."""
    found = _found(db, id)
    path = pictures.thumbnail(_folder(request), found.digest)
    return _file(path, "image/jpeg", {"cache-control": "private, max-age=31536000, immutable"})


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Take a picture off its exposure; undo brings it back."""
    found = _found(db, id)
    with journal.action(db, f"picture {found.name} taken off", now()):
        store.delete(db, id)


def _attach(
    db: Connection, folder: Path, path: Path, id_: str, exposure_id: str, name: str
) -> Attachment:
    known = store.attachment(db, id_)
    if known is not None:
        return known
    if exposures.exposure(db, exposure_id) is None:
        raise NotFound("There is no such exposure.", field="exposure_id")
    picture = pictures.keep(folder, path)
    attachment = Attachment(
        id=id_,
        exposure_id=exposure_id,
        name=name.replace("\\", "/").rsplit("/", 1)[-1] or "picture",
        media_type=picture.media_type,
        bytes=picture.bytes,
        width=picture.width,
        height=picture.height,
        digest=picture.digest,
        added_at=now(),
    )
    with journal.action(db, f"picture {attachment.name} attached", attachment.added_at):
        store.put(db, attachment)
    return attachment


def _folder(request: Request) -> Path:
    folder: Path = request.app.state.attachments
    return folder


def _found(db: Connection, id_: str) -> Attachment:
    found = store.attachment(db, id_)
    if found is None:
        raise NotFound("There is no such picture.", field="id")
    return found


def _file(path: Path, media_type: str, headers: dict[str, str]) -> Response:
    if not path.exists():
        raise NotFound(
            "The picture's file is not in the data folder any more; restore it from a backup."
        )
    return FileResponse(path, media_type=media_type, headers=headers)
