"""The core stays what it says it is: no clock, no file, no chance, standard library only."""

import ast
import sys
from pathlib import Path

import pytest

from emulsa import core

FILES = sorted(Path(core.__file__).parent.rglob("*.py"))
CALLS = {"open", "print", "input", "exec", "eval", "now", "today", "sleep", "urandom"}


@pytest.mark.parametrize("file", FILES, ids=lambda file: file.stem)
def test_module_is_pure(file: Path) -> None:
    """Only the standard library and the core itself are imported; nothing asks the world."""
    tree = ast.parse(file.read_text(encoding="utf-8"))
    for node in ast.walk(tree):
        if isinstance(node, ast.Import):
            for name in node.names:
                assert name.name.split(".")[0] in sys.stdlib_module_names, name.name
        elif isinstance(node, ast.ImportFrom):
            top = (node.module or "").split(".")[0]
            assert top in sys.stdlib_module_names or (node.module or "").startswith("emulsa.core")
        elif isinstance(node, ast.Call):
            function = node.func
            name_ = getattr(function, "id", getattr(function, "attr", ""))
            assert name_ not in CALLS, f"{name_} at line {node.lineno}"


def test_every_source_key_is_in_the_bibliography() -> None:
    """A row of a ledger never cites what nobody can look up."""
    from emulsa.core.data.bibliography import SOURCES
    from emulsa.core.development.time import development
    from emulsa.core.development.time_answer import DevelopmentRequest
    from emulsa.core.exposing.chain import exposure
    from emulsa.demo.bag import RECIPES
    from tests.core.requests import canonical

    cited = {row.source for row in exposure(canonical()).ledger}
    request = DevelopmentRequest(
        recipe=RECIPES[0].recipe, n=-1, temperature_c=22, rotary=True, reciprocity_change=0.9
    )
    cited |= {row.source for row in development(request).ledger}
    assert cited
    assert cited <= set(SOURCES)
