"""Pictures attached to exposures, film tests and scenes: checked by content, with thumbnails."""

from __future__ import annotations

from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

from emulsa.api.keeping import unchanged
from emulsa.api.lookup import needed
from emulsa.api.refusals import NotFound
from emulsa.api.replies import disposition
from emulsa.api.routing import Act, Db, File, House, Routes
from emulsa.api.views.done import Done
from emulsa.core.errors import Impossible
from emulsa.core.limits import Id, Name
from emulsa.core.logged.attachment import Attachment, NamedPlace, PictureName, Scanned
from emulsa.core.picture.metering import Metering
from emulsa.core.scene.metered import reread, without_spots
from emulsa.exchange import exif, pictures, tiles
from emulsa.exchange.pictures import Picture
from emulsa.store import attachments as store
from emulsa.store import bench, exposures, scenes

FOR_EVER = {"cache-control": "private, max-age=31536000, immutable"}

routes = Routes("attachments", "/api/attachments")


@dataclass(frozen=True, kw_only=True, slots=True)
class Forgotten:
    """The place that is not gone back to any more."""

    name: Name


def _look(house: House, file: Path) -> Picture:
    return house.look_at(file)


@routes.act("PUT", "/{id}", upload=True, largest=pictures.LARGEST_FILE, look=_look)
def attach(
    act: Act,
    house: House,
    file: Path,
    looked: Picture,
    id: Id,  # noqa: A002
    name: PictureName,
    exposure_id: Id | None = None,
    test_id: Id | None = None,
    scene_id: Id | None = None,
) -> Attachment:
    """Attach a JPEG, PNG or TIFF picture to an exposure, a film test or a scene, which is metered
    by it; one that is there stays."""
    known = store.attachment(act.db, id)
    if known is not None:
        return known
    if scene_id is not None:
        _without_one(act, scene_id)
    elif test_id is None:
        exposure = exposures.exposure(act.db, exposure_id or "")
        needed(exposure, "This exposure was not found.", "exposure_id")
    else:
        needed(bench.test(act.db, test_id), "This film test was not found.", "test_id")
    attachment = Attachment(
        id=id,
        exposure_id=exposure_id if test_id is None and scene_id is None else None,
        test_id=test_id if scene_id is None else None,
        scene_id=scene_id,
        name=name.replace("\\", "/").rsplit("/", 1)[-1] or "picture",
        media_type=looked.media_type,
        bytes=looked.bytes,
        width=looked.width,
        height=looked.height,
        digest=looked.digest,
        added_at=act.moment,
        metering=None if scene_id is None else exif.metering(file),
    )
    act.says(f"attach {attachment.name}")
    act.keep(attachment)
    if scene_id is not None:
        _read_again(act, scene_id)
    house.place(house.attachments, file, looked)
    return attachment


def _without_one(act: Act, scene_id: str) -> None:
    """Of one scene there is one picture. What lies in it may be there before it: what was done away
    comes home before its pictures do."""
    needed(scenes.scene(act.db, scene_id), "This scene was not found.", "scene_id")
    if store.of_scene(act.db, scene_id) is not None:
        raise Impossible("This scene has a picture; take it away first.", field="scene_id")


def _read_again(act: Act, scene_id: str) -> None:
    """What was read off a scene's picture, by what it is metered by now."""
    scene = scenes.scene(act.db, scene_id)
    assert scene is not None
    scenes.put(act.db, reread(scene, scenes.kit_of(act.db, scene)))


@routes.question("/{id}", media_type="image/*")
def original(db: Db, house: House, id: str) -> File:  # noqa: A002
    """The picture as it was handed in, to save."""
    found = _found(db, id)
    path = pictures.original(house.attachments, found.digest, found.media_type)
    return _file(house, path, found.media_type, {"content-disposition": disposition(found.name)})


@routes.question("/{id}/thumbnail", media_type="image/jpeg")
def thumbnail(db: Db, house: House, id: str) -> File:  # noqa: A002
    """The picture in small."""
    found = _found(db, id)
    path = pictures.thumbnail(house.attachments, found.digest)
    return _file(house, path, "image/jpeg", FOR_EVER)


@routes.question("/{id}/view", media_type="image/jpeg")
def view(db: Db, house: House, id: str) -> File:  # noqa: A002
    """The picture at the size of a screen, upright: what patches and shapes are laid over."""
    found = _found(db, id)
    path = pictures.view(house.attachments, found.digest, found.media_type)
    return _file(house, path, "image/jpeg", FOR_EVER)


@routes.question("/{id}/tiles/{level}/{column}/{row}", media_type="image/jpeg")
def tile(db: Db, house: House, id: str, level: int, column: int, row: int) -> File:  # noqa: A002
    """A part of the picture as near as it was scanned (level 0), or half of that, and so on."""
    found = _found(db, id)
    kept = tiles.tile(house.attachments, found.digest, found.media_type, (level, column, row))
    if kept is None:
        raise NotFound(house.without_picture)
    return File("image/jpeg", kept, headers=FOR_EVER)


@routes.act("POST", "/{id}/places")
def name_place(act: Act, id: str, place: NamedPlace) -> Attachment:  # noqa: A002
    """Name a place one looks at in a picture; of one name there is one."""
    known = [each for each in _found(act.db, id).places if each.name != place.name]
    return _changed(act, id, f"name the place {place.name} in", places=(*known, place))


@routes.act("POST", "/{id}/places/forgotten")
def forget_place(act: Act, id: str, place: Forgotten) -> Attachment:  # noqa: A002
    """Forget a place of a picture; one that is not there is forgotten already."""
    kept = tuple(each for each in _found(act.db, id).places if each.name != place.name)
    return _changed(act, id, f"forget the place {place.name} in", places=kept)


@routes.act("PUT", "/{id}/scanned")
def scanned(act: Act, id: str, base: str, scanned: Scanned) -> Attachment:  # noqa: A002
    """Keep how a scan was made."""
    known = _found(act.db, id)
    unchanged("How this was scanned", known.scanned, scanned, base)
    return _changed(act, id, "describe the scan", scanned=scanned)


@routes.act("PUT", "/{id}/metering")
def metering(act: Act, id: str, base: str, metering: Metering) -> Attachment:  # noqa: A002
    """Say what a scene's picture is metered by; what was read off it is read again."""
    known = _found(act.db, id)
    if known.scene_id is None or known.metering is None:
        raise Impossible("This picture is not a scene's; nothing is metered by it.", field="id")
    unchanged("What this picture is metered by", known.metering, metering, base)
    kept = _changed(act, id, "change the figures of", metering=metering)
    _read_again(act, known.scene_id)
    return kept


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Take a picture off what it shows; undo brings it back."""
    found = _found(act.db, id)
    act.says(f"remove {found.name}")
    store.delete(act.db, id)
    if found.scene_id is not None:
        scene = scenes.scene(act.db, found.scene_id)
        assert scene is not None
        scenes.put(act.db, without_spots(scene))
    return Done(f"remove {found.name}", (id,))


def _changed(act: Act, id_: str, says: str, **changed: Any) -> Attachment:
    attachment = replace(_found(act.db, id_), **changed)
    act.says(f"{says} {attachment.name}")
    act.keep(attachment)
    return attachment


def _found(db: Db, id_: str) -> Attachment:
    return needed(store.attachment(db, id_), "This picture was not found.")


def _file(house: House, path: Path, media_type: str, headers: dict[str, str]) -> File:
    if not path.exists():
        raise NotFound(house.without_picture)
    return File(media_type, path=path, headers=headers)
