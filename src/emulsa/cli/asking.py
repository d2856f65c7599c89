"""Commands that ask: one rule of the job, a typed line, the document of the service."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from emulsa.core import operations
from emulsa.core.errors import CoreError
from emulsa.core.kit.preferences import Preferences
from emulsa.core.line import grammar
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.lines import typed
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.wire import dumps

BAD_INPUT = 2  # exit code of a refused request


def compute(options: argparse.Namespace) -> int:
    """One operation: JSON request on standard input, JSON answer on standard output."""
    try:
        print(operations.answer_json(options.operation, sys.stdin.buffer.read()))
    except CoreError as problem:
        print(dumps(problem.as_json()))
        return BAD_INPUT
    return 0


def read(options: argparse.Namespace) -> int:
    """What a typed line means, by the same grammar as the page's: in words, or as JSON."""
    line = " ".join(options.line)
    try:
        print(dumps(grammar.parse(line)) if options.json else _words(line))
    except CoreError as problem:
        print(dumps(problem.as_json()) if options.json else problem.message)
        return BAD_INPUT
    return 0


def _words(line: str) -> str:
    """The meaning of a line over a scene that is empty, as the page says it."""
    blank = Scene(id="line", outing_id="line", title="line")
    said = typed(line, blank, SceneKit(), KitNames(), Preferences(), "reading")
    return said.says


def openapi(_: argparse.Namespace) -> int:
    """The OpenAPI document, for the page's generated types."""
    import json
    import tempfile

    from emulsa.server.app import Settings, create_app

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Settings(Path(folder)))
        print(json.dumps(app.openapi(), indent=1, ensure_ascii=False))
    return 0
