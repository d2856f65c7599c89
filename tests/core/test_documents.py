"""The documents name everything there is."""

from pathlib import Path

import pytest

from emulsa import core
from emulsa.core import operations
from emulsa.core.data.bibliography import SOURCES
from emulsa.core.exposing.advising.catalogue import CATALOGUE

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
