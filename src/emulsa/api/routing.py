"""Routes as the house writes them, answered by ``acting`` wherever they run.

A handler is a plain function of what it needs: ``act`` or ``db``, the ``house``, names in the
address, words of the query, one record as the body. What it is sent is read by the core's decoder,
so that the server and the carried copy in a browser accept and refuse exactly the same.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

from emulsa.api.house import House
from emulsa.api.replies import File
from emulsa.api.request import now
from emulsa.api.route import KEY, MOMENT, Act, Kind, Method, Route
from emulsa.store.database import Connection as Db

Handler = Callable[..., Any]

# Every route of the house, by its name.
TABLE: dict[str, Route] = {}


@dataclass
class Routes:
    """The routes of one noun."""

    noun: str
    prefix: str
    tag: str = ""
    routes: list[Route] = field(default_factory=list)

    def question(
        self, path: str, method: Method = "GET", **more: Any
    ) -> Callable[[Handler], Handler]:
        """Something that is asked, of one snapshot; nothing is kept."""
        return self._adding("question", method, path, **more)

    def act(self, method: Method, path: str, **more: Any) -> Callable[[Handler], Handler]:
        """One thing a photographer did: locked before it looks, done once, undone exactly."""
        return self._adding("act", method, path, **more)

    def undo(self, path: str) -> Callable[[Handler], Handler]:
        """An act that turns the journal itself."""
        return self._adding("undo", "POST", path)

    def work(self, method: Method, path: str, **more: Any) -> Callable[[Handler], Handler]:
        """Long work, or a file that is handed in: it locks for itself."""
        return self._adding("work", method, path, **more)

    def add(self, kind: Kind, method: Method, path: str, handler: Handler, **more: Any) -> None:
        """A route whose handler is made, not written."""
        more.setdefault("name", f"{self.noun}.{handler.__name__}")
        route = Route(method, f"{self.prefix}{path}", kind, handler, **more)
        assert route.name not in TABLE, f"two routes are called {route.name}"
        TABLE[route.name] = route
        self.routes.append(route)

    def _adding(
        self, kind: Kind, method: Method, path: str, **more: Any
    ) -> Callable[[Handler], Handler]:
        def adding(handler: Handler) -> Handler:
            self.add(kind, method, path, handler, **more)
            return handler

        return adding


__all__ = ["KEY", "MOMENT", "Act", "Db", "File", "House", "Routes", "now"]
