"""Listening: on this machine by HTTP, and on its network by HTTPS beside it when asked."""

from __future__ import annotations

import asyncio
from collections.abc import Sequence

import uvicorn
from fastapi import FastAPI

from emulsa.api.ending import STOPS_WITHIN_S
from emulsa.server.certificates import Certificates


def run(app: FastAPI, ports: Sequence[tuple[str, int]], shown: Certificates | None) -> None:
    """Serve until stopped: the first address by HTTP; the second, if there is one, by HTTPS with
    the certificates. The application begins and ends with the first."""
    (host, port), *others = ports
    servers = [uvicorn.Server(_config(app, host, port))]
    for other_host, other_port in others:
        assert shown is not None
        config = _config(app, other_host, other_port)
        config.ssl_certfile, config.ssl_keyfile = str(shown.server), str(shown.server_key)
        config.lifespan = "off"
        servers.append(uvicorn.Server(config))

    async def all_of_them() -> None:
        await asyncio.gather(*(each.serve() for each in servers))

    asyncio.run(all_of_them())


def _config(app: FastAPI, host: str, port: int) -> uvicorn.Config:
    return uvicorn.Config(
        app,
        host=host,
        port=port,
        log_level="warning",
        access_log=False,
        timeout_graceful_shutdown=STOPS_WITHIN_S,
        proxy_headers=False,  # who is this machine itself is told by the connection alone
    )
