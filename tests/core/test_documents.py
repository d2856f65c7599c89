"""The documents name everything there is."""

import ast
from pathlib import Path

import pytest

from emulsa import core
from emulsa.core import operations
from emulsa.core.data.advice import CATALOGUE
from emulsa.core.data.bibliography import SOURCES

DOCS = Path(__file__).parents[2] / "docs" / "core"
CORE = Path(core.__file__).parent
TEXT = "\n".join(page.read_text(encoding="utf-8") for page in sorted(DOCS.glob("*.md")))


@pytest.mark.parametrize("name", sorted(operations.TABLE))
def test_every_operation_has_a_page(name: str) -> None:
    """The table of operations in docs/core links each to its page."""
    assert f"`{name}`" in (DOCS / "README.md").read_text(encoding="utf-8")


@pytest.mark.parametrize("key", sorted(SOURCES))
def test_every_source_is_cited(key: str) -> None:
    """A source nobody cites is not in the bibliography, and none is missing from the pages."""
    assert f"`{key}`" in TEXT


def test_every_code_of_advice_is_documented() -> None:
    """The page of advice is the catalogue, line by line."""
    page = (DOCS / "advice.md").read_text(encoding="utf-8")
    assert [line for line in page.splitlines() if line.startswith("| `")] == [
        f"| `{code}` | {when} |" for code, when in CATALOGUE.items()
    ]


def test_every_folder_has_a_page() -> None:
    """Docs mirror the core's folders."""
    folders = {each.name for each in CORE.iterdir() if (each / "__init__.py").exists()}
    for page in folders - {"data"}:
        assert (DOCS / f"{page}.md").exists()
        assert f"({page}.md)" in (DOCS / "README.md").read_text(encoding="utf-8")


def test_every_code_of_advice_is_in_the_catalogue() -> None:
    """What the core can say, and nothing it cannot."""
    nodes = [
        node
        for file in CORE.rglob("*.py")
        if file != CORE / "data" / "advice.py"
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8")))
    ]
    given = {
        word.value.value
        for call in nodes
        if isinstance(call, ast.Call) and getattr(call.func, "id", "") == "Advice"
        for word in call.keywords
        if word.arg == "code" and isinstance(word.value, ast.Constant)
    }
    assert given - set(CATALOGUE) == set()
    named = {node.value for node in nodes if isinstance(node, ast.Constant)}
    assert set(CATALOGUE) - named == set()


def test_every_range_is_said_once() -> None:
    """Two ranges of one name would let one door refuse what another takes. A door that needs at
    least one may say so."""
    said: dict[tuple[str, ...], list[tuple[str, str]]] = {}
    for file in sorted(CORE.parent.rglob("*.py")):
        for call in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            kind = getattr(call.func, "id", "") if isinstance(call, ast.Call) else ""
            if isinstance(call, ast.Call) and kind in ("Within", "Length"):
                what, low, high, *unit = map(ast.unparse, call.args)
                said.setdefault((kind, what, *unit), []).append((low, high))
    for name, ranges in said.items():
        assert len(ranges) == len(set(ranges)), f"{name} is said twice"
        assert len({high for _, high in ranges}) == 1, f"{name} has several ends: {ranges}"
