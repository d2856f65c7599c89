"""The application: routes, errors, limits, headers and the built page."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager, suppress
from dataclasses import dataclass
from pathlib import Path

from fastapi import FastAPI
from starlette.middleware.gzip import DEFAULT_EXCLUDED_CONTENT_TYPES, GZipMiddleware
from starlette.responses import FileResponse, Response
from starlette.staticfiles import StaticFiles
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from emulsa import __version__
from emulsa.api.house import House
from emulsa.api.pairing import TRUST, Pairing
from emulsa.api.refusals import NOTHING, NotFound
from emulsa.api.routes import ROUTES
from emulsa.devices.spot_meter import SimulatedSpotMeter, SpotMeter
from emulsa.server import binding, errors, parts, reading
from emulsa.server.caretaker import Caretaker
from emulsa.server.door import Door
from emulsa.server.guard import Guard, Quiet
from emulsa.server.indexer import Indexer
from emulsa.server.parts import is_there
from emulsa.store import opening
from emulsa.store.database import connect
from emulsa.store.folder import (
    ATTACHMENTS,
    COPIES,
    DATABASE,
    Unsafe,
    alone,
    file_moment,
    tidied,
    together,
)
from emulsa.store.pool import Pool

BUILT_PAGE = Path(__file__).parent.parent / "page"
BUILT_RUNTIME = Path(__file__).parent.parent / "field" / "built"

# where others look for a service's description; ours is read at /api/docs
NO_ROOMS = ("docs", "redoc", "openapi.json")

HEADERS = [
    # Chakra's styles are written into <style> elements at run time; scripts are files only.
    (
        b"content-security-policy",
        b"default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline';"
        b" img-src 'self' data: blob:; object-src 'none'; frame-ancestors 'none';"
        b" base-uri 'none'; form-action 'self'",
    ),
    (b"cross-origin-opener-policy", b"same-origin"),
    (b"cross-origin-resource-policy", b"same-origin"),
    (b"x-content-type-options", b"nosniff"),
    # not less: a browser would call the origin of our own form "null", and nobody could be paired
    (b"referrer-policy", b"same-origin"),
]

# the one script that runs the carried copy may compile its runtime; the page may not
RUNNING = "/assets/field.worker"
WITH_WASM = (
    b"content-security-policy",
    b"default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; object-src 'none'",
)


@dataclass(frozen=True)
class Settings:
    """Where the data lies, where the built page and the runtime of carried copies are, the spot
    meter that is connected, whether this is the demo, under which other names the service answers,
    whether it looks after its data by itself, whether a log is begun anew where one was lost, and
    the address at which others on the network reach it, if they may, with the certificate of its
    authority and its fingerprint."""

    data: Path
    page: Path = BUILT_PAGE
    runtime: Path = BUILT_RUNTIME
    spot_meter: SpotMeter | None = None
    demo: bool = False
    hosts: tuple[str, ...] = ()
    caretaker: bool = True
    anew: bool = False
    network: str = ""
    authority: Path | None = None
    fingerprint: str = ""

    @property
    def database(self) -> Path:
        return self.data / DATABASE


def create_app(settings: Settings) -> FastAPI:
    """The application on a data folder; the folder and the database are made if need be.

    Raises what ``opening.prepare`` raises: TooNew, Damaged, Absent, Unsafe.
    """
    settings.data.mkdir(parents=True, exist_ok=True)
    opening.prepare(settings.database, file_moment(), settings.anew)
    caretaker = Caretaker(settings.data)
    indexer = Indexer(lambda: connect(settings.database))
    exchange = settings.data / "exchange"
    with suppress(Unsafe), alone(settings.data):  # what another service works on stays
        tidied(exchange, settings.data / ATTACHMENTS, settings.data / COPIES, settings.data)
    pairing = Pairing(lambda: connect(settings.database), active=bool(settings.network))

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        with together(settings.data):
            indexer.start()
            if settings.caretaker:
                caretaker.start()
            yield
            house.jobs.stop_all()
            indexer.stop()
            if settings.caretaker:
                caretaker.stop()
            house.pool.close()
            pairing.close()

    app = FastAPI(
        lifespan=lifespan,
        title="Emulsa",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    house = House(
        database=settings.database,
        attachments=settings.data / ATTACHMENTS,
        exchange=exchange,
        pool=Pool(settings.database),
        pairing=pairing,
        address=settings.network,
        fingerprint=settings.fingerprint,
        demo=settings.demo,
        spot_meter=settings.spot_meter or SimulatedSpotMeter(),
        trouble=lambda: caretaker.trouble,
        index=indexer.wake,
    )
    binding.install(app, ROUTES, house)
    errors.install(app)
    if settings.authority is not None:
        _serve_certificate(app, settings.authority)
    parts.install(app, settings.page, settings.runtime)
    reading.install(app)
    _serve_page(app, settings.page)
    app.add_middleware(
        GZipMiddleware,
        minimum_size=1_000,
        compresslevel=5,
        exclude_content_types=(*DEFAULT_EXCLUDED_CONTENT_TYPES, "image/tiff", "application/pdf"),
    )
    app.add_middleware(Quiet)
    app.add_middleware(Door, pairing=pairing)
    app.add_middleware(Guard, hosts=settings.hosts, network=pairing.active)
    app.add_middleware(SafeHeaders)
    app.state.pairing = pairing
    return app


def _serve_certificate(app: FastAPI, authority: Path) -> None:
    """The certificate of the own authority, for devices that are to trust it."""

    @app.get(TRUST, include_in_schema=False)
    def trust() -> Response:
        named = {"content-disposition": 'attachment; filename="emulsa.crt"'}
        return FileResponse(authority, media_type="application/x-x509-ca-cert", headers=named)


def _serve_page(app: FastAPI, page: Path) -> None:
    """The built page: hashed assets for ever, everything else a room of the one page."""
    if not (page / "index.html").exists():
        return
    app.mount("/assets", StaticFiles(directory=page / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def room(path: str) -> Response:
        if path.startswith(("api/", "assets/")) or path in NO_ROOMS:
            raise NotFound(NOTHING)
        file = page / path
        if path and file.parent == page and is_there(file):
            return FileResponse(file, headers={"cache-control": "no-cache"})
        return FileResponse(page / "index.html", headers={"cache-control": "no-cache"})


class SafeHeaders:
    """The same few headers on every answer; hashed assets may be kept for ever."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                path = scope["path"]
                headers = [*message["headers"], *HEADERS]
                if path.startswith("/assets/") and message["status"] == 200:
                    headers.append((b"cache-control", b"public, max-age=31536000, immutable"))
                if path.startswith(RUNNING):
                    headers = [WITH_WASM, *(each for each in headers if each[0] != WITH_WASM[0])]
                message = {**message, "headers": headers}
            await send(message)

        await self.app(scope, receive, with_headers)
