"""The application: routes, errors, limits, headers and the built page."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from dataclasses import dataclass
from pathlib import Path

from fastapi import FastAPI
from starlette.middleware.gzip import GZipMiddleware
from starlette.responses import FileResponse, Response
from starlette.staticfiles import StaticFiles
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from emulsa import __version__
from emulsa.api import bodies, errors
from emulsa.api.errors import NotFound
from emulsa.api.limits import BodyLimit
from emulsa.api.routes import ROUTERS
from emulsa.devices.shutter_tester import SimulatedShutterTester
from emulsa.devices.spot_meter import SimulatedSpotMeter, SpotMeter
from emulsa.store import database
from emulsa.store.pool import Pool

BUILT_PAGE = Path(__file__).parent.parent / "page"

HEADERS = [
    # Chakra's styles are written into <style> elements at run time; scripts are files only.
    (
        b"content-security-policy",
        b"default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:;"
        b" frame-ancestors 'none'; base-uri 'self'; form-action 'self'",
    ),
    (b"x-content-type-options", b"nosniff"),
    (b"referrer-policy", b"no-referrer"),
]


@dataclass(frozen=True)
class Settings:
    """Where the data lies, where the built page is, and the spot meter that is connected."""

    data: Path
    page: Path = BUILT_PAGE
    spot_meter: SpotMeter | None = None

    @property
    def database(self) -> Path:
        return self.data / "emulsa.sqlite3"


@dataclass(frozen=True)
class Health:
    """Who answers."""

    name: str
    version: str


def create_app(settings: Settings) -> FastAPI:
    """The application on a data folder; the folder and the database are made if need be."""
    settings.data.mkdir(parents=True, exist_ok=True)
    connection = database.connect(settings.database)
    try:
        database.migrate(connection)
    finally:
        connection.close()
    pool = Pool(settings.database)

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        yield
        pool.close()

    app = FastAPI(
        lifespan=lifespan,
        title="Emulsa",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    app.state.pool = pool
    app.state.spot_meter = settings.spot_meter or SimulatedSpotMeter()
    app.state.shutter_tester = SimulatedShutterTester()
    for router in ROUTERS:
        app.include_router(router)

    @app.get("/api/health", tags=["service"])
    def health() -> Health:
        """Whether the application is up, and which it is."""
        return Health("emulsa", __version__)

    errors.install(app)
    bodies.install(app)
    _serve_page(app, settings.page)
    app.add_middleware(GZipMiddleware, minimum_size=1_000, compresslevel=5)
    app.add_middleware(BodyLimit)
    app.add_middleware(SafeHeaders)
    return app


def _serve_page(app: FastAPI, page: Path) -> None:
    """The built page: hashed assets for ever, everything else a room of the one page."""
    if not (page / "index.html").exists():
        return
    app.mount("/assets", StaticFiles(directory=page / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def room(path: str) -> Response:
        if path.startswith(("api/", "assets/")):
            raise NotFound("There is nothing at this address.")
        file = page / path
        if path and file.parent == page and file.is_file():
            return FileResponse(file, headers={"cache-control": "no-cache"})
        return FileResponse(page / "index.html", headers={"cache-control": "no-cache"})


class SafeHeaders:
    """The same few headers on every answer; hashed assets may be kept for ever."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = [*message["headers"], *HEADERS]
                if scope["path"].startswith("/assets/") and message["status"] == 200:
                    headers.append((b"cache-control", b"public, max-age=31536000, immutable"))
                message = {**message, "headers": headers}
            await send(message)

        await self.app(scope, receive, with_headers)
