"""The log: searched as one types, and an exposure's whole story."""

from __future__ import annotations

from typing import Annotated

from emulsa.api.replies import XMP, disposition, file_name
from emulsa.api.routing import Db, File, Routes
from emulsa.api.views.log import LogPage, LogShape, Story, lines, shape, story_of
from emulsa.api.views.sidecar import found, sidecar_of
from emulsa.core.limits import Length, Within
from emulsa.exchange import sidecar
from emulsa.store import attachments
from emulsa.store import log as store

routes = Routes("log", "/api/log")

PAGE = 60
Place = Annotated[int, Within("A place in the log", -(2**62), 2**62)]
Limit = Annotated[int, Within("Lines at once", 1, 200)]


@routes.question("")
def read(db: Db, sought: store.Sought, before: Place | None = None, limit: Limit = PAGE) -> LogPage:
    """Exposures that match, newest first."""
    entries = store.page(db, sought, before, limit)
    return LogPage(
        lines=lines(db, entries),
        next=entries[-1].place if len(entries) == limit else None,
        total=store.count(db, sought) if before is None else None,
        counted_to=store.COUNTED_TO,
    )


@routes.question("/shape")
def read_shape(db: Db, sought: store.Sought) -> LogShape:
    """How many of what matches were planned for which N, and when."""
    return shape(db, sought)


@routes.question("/indices")
def indices(db: Db) -> tuple[float, ...]:
    """Every index something was exposed at, the slowest first."""
    return store.indices(db)


@routes.question("/{id}")
def story(db: Db, id: str) -> Story:  # noqa: A002
    """Everything that is known of one exposure."""
    return story_of(db, id)


@routes.question("/{id}/sidecar.xmp", media_type=XMP)
def xmp(db: Db, id: str, beside: Annotated[str, Length("The one beside", 0, 64)] = "") -> File:  # noqa: A002
    """An XMP sidecar; named after the attached scan it is to lie beside, if one is named."""
    _, scene, _, piece = found(db, id)
    scan = attachments.attachment(db, beside) if beside else None
    name = scan.name.rsplit(".", 1)[0] if scan else f"emulsa-{file_name(scene.title)}-{piece.label}"
    headers = {"content-disposition": disposition(f"{name}.xmp")}
    return File(XMP, sidecar.xml(sidecar_of(db, id)), headers=headers)
