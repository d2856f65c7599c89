"""What the page knows of the service: written from the service itself when the page is built.

``python -m emulsa.server.description FOLDER`` writes two files: the OpenAPI document, of which the
page's types are made, and a module with what it needs while it runs. Neither is kept by hand.
"""

from __future__ import annotations

import json
import re
import sys
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from emulsa.api.route import Route
from emulsa.api.routes import ROUTES
from emulsa.core import wire
from emulsa.core.begun import BEGUN
from emulsa.core.handles import HANDLES
from emulsa.core.offered import OFFERED
from emulsa.server.app import Settings, create_app

HEAD = (
    "/* Written by emulsa.server.description out of the service; changed there, not here. */\n\n"
    'import type { components } from "./schema";\n\n'
    "interface Choice {\n  value: string;\n  label: string;\n}\n\n"
)


def document() -> dict[str, Any]:
    """The OpenAPI document of all that is answered."""
    with TemporaryDirectory() as folder:
        return create_app(Settings(Path(folder), caretaker=False)).openapi()


def module() -> str:
    """The page's module: where everything that is asked or done is sent, how records are when they
    are begun, what values are called and in which order they are offered."""
    calls = {
        route.name.replace(".", "_"): [route.method, route.path]
        for route in _routes()
        if not route.media_type or route.method == "POST"  # other files are links
    }
    offered = {
        name: [{"value": value, "label": label} for value, label in words.items()]
        for name, words in OFFERED.items()
    }
    return "".join(
        (
            HEAD,
            _constant("CALLS", calls, fixed=True),
            _constant("KIT_KEEPS", _of_the_kit("PUT"), fixed=True),
            _constant("KIT_DROPS", _of_the_kit("DELETE"), fixed=True),
            _constant("BEGUN", BEGUN, f"{{ {_kinds(BEGUN)} }}"),
            _constant("HANDLES", HANDLES, fixed=True),
            _constant(
                "OFFERED",
                offered,
                f"Record<{' | '.join(map(json.dumps, offered))}, Choice[]>",
            ),
        )
    )


def _routes() -> list[Route]:
    return [route for noun in ROUTES for route in noun.routes]


def _of_the_kit(method: str) -> dict[str, str]:
    """What keeps or deletes one record, by the list it stands in."""
    return {
        each.path.split("/")[3]: each.name.replace(".", "_")
        for each in _routes()
        if each.method == method and re.fullmatch("/api/kit/[a-z]+/{id}", each.path)
    }


def _constant(name: str, value: Any, kind: str = "", fixed: bool = False) -> str:
    text = json.dumps(wire.encode(value), ensure_ascii=False, separators=(",", ":"))
    said = f": {kind}" if kind else ""
    return f"export const {name}{said} = {text}{' as const' if fixed else ''};\n"


def _kind(record: Any) -> str:
    return f'components["schemas"]["{type(record).__name__}"]'


def _kinds(records: dict[str, Any]) -> str:
    return "; ".join(f"{name}: {_kind(record)}" for name, record in records.items())


def write(folder: Path) -> None:
    """Both files; one that would be as it is is left alone, so that nothing is built in vain."""
    folder.mkdir(parents=True, exist_ok=True)
    texts = {
        "openapi.json": json.dumps(document(), indent=1, ensure_ascii=False) + "\n",
        "service.ts": module(),
    }
    for name, text in texts.items():
        file = folder / name
        if not file.is_file() or file.read_text("utf-8") != text:
            file.write_text(text, "utf-8")


if __name__ == "__main__":
    write(Path(sys.argv[1]))
