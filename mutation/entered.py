"""Which tests enter which function: what is drawn is only tried by tests that could notice.

Every function of a copied source is given one line that says it was entered; this module, loaded
into pytest as a plugin, writes down after each test which lines were met, and how long it took.
"""

import ast
import json
import os
from collections.abc import Generator, Iterator
from pathlib import Path
from typing import Any

import pytest

from mutation.places import functions

NOTED = "from emulsa._entered import ENTERED as _ENTERED"


def prepare(copy: Path) -> None:
    """Give every function of a copied source its line."""
    source = copy / "src" / "emulsa"
    for path in sorted(source.rglob("*.py")):
        if "built" not in path.parts:
            module = str(path.relative_to(copy))
            path.write_text(_noting(path.read_text(encoding="utf-8"), module), encoding="utf-8")
    (source / "_entered.py").write_text('"""Met."""\nENTERED: set[str] = set()\n', encoding="utf-8")


def _noting(source: str, file: str) -> str:
    """A module whose functions say that they were entered."""
    tree = ast.parse(source)
    lines = source.splitlines(keepends=True)
    added: list[tuple[int, str]] = []
    for name, function in functions(tree):
        first = function.body[0]
        if _is_said(first) and len(function.body) > 1:
            first = function.body[1]
        if first.lineno == function.lineno or _is_said(first):
            continue
        at = min([first.lineno, *(each.lineno for each in getattr(first, "decorator_list", []))])
        added.append((at, f"{' ' * first.col_offset}_ENTERED.add({f'{file}::{name}'!r})\n"))
    if not added:
        return source
    for at, line in sorted(added, reverse=True):
        lines.insert(at - 1, line)
    begins = next(each for each in tree.body if not _is_said(each) and not _is_future(each))
    lines.insert(begins.lineno - 1, f"{NOTED}  # noqa\n")
    return "".join(lines)


def _is_said(statement: ast.stmt) -> bool:
    """Whether a statement is a docstring."""
    return isinstance(statement, ast.Expr) and isinstance(statement.value, ast.Constant)


def _is_future(statement: ast.stmt) -> bool:
    """Whether a statement must stand before all others."""
    return isinstance(statement, ast.ImportFrom) and statement.module == "__future__"


_MET: dict[str, list[str]] = {}
_SHARED: dict[str, set[str]] = {}  # what a fixture entered that several tests share
_USES: dict[str, list[str]] = {}
_TOOK: dict[str, float] = {}


@pytest.hookimpl(wrapper=True)
def pytest_fixture_setup(fixturedef: pytest.FixtureDef[Any]) -> Generator[None, Any, Any]:
    """What is made once for several tests is met by all of them."""
    from emulsa._entered import ENTERED  # type: ignore[import-untyped, import-not-found, unused-ignore]

    if fixturedef.scope == "function":
        return (yield)
    before = set(ENTERED)
    ENTERED.clear()
    try:
        return (yield)
    finally:
        _SHARED.setdefault(fixturedef.argname, set()).update(ENTERED)
        ENTERED.update(before)


@pytest.hookimpl(wrapper=True)
def pytest_runtest_protocol(item: pytest.Item) -> Iterator[None]:
    """What a test enters, its fixtures included."""
    from emulsa._entered import ENTERED  # type: ignore[import-untyped, import-not-found, unused-ignore]

    ENTERED.clear()
    yield
    _MET[item.nodeid] = sorted(ENTERED)
    _USES[item.nodeid] = list(getattr(item, "fixturenames", ()))


def pytest_runtest_logreport(report: pytest.TestReport) -> None:
    """How long a test took, its fixtures included; only those that pass count."""
    _TOOK[report.nodeid] = _TOOK.get(report.nodeid, 0) + report.duration


def pytest_sessionfinish(session: pytest.Session) -> None:
    """Write down what was met; each worker its own file."""
    if folder := os.environ.get("ENTERED_IN"):
        worker = os.environ.get("PYTEST_XDIST_WORKER", "")
        if worker or not session.config.getoption("numprocesses", None):
            shared = {name: sorted(met) for name, met in _SHARED.items()}
            told = {"met": _MET, "took": _TOOK, "shared": shared, "uses": _USES}
            Path(folder, f"{worker or 'one'}.json").write_text(json.dumps(told), encoding="utf-8")


def gathered(folder: Path) -> tuple[dict[str, list[str]], dict[str, float]]:
    """Which tests enter a function, by its file and name; and what each test takes, in s."""
    entering: dict[str, set[str]] = {}
    took: dict[str, float] = {}
    shared: dict[str, set[str]] = {}
    found = [json.loads(path.read_text(encoding="utf-8")) for path in folder.glob("*.json")]
    for told in found:
        took |= told["took"]
        for name, met in told["shared"].items():
            shared.setdefault(name, set()).update(met)
    for told in found:
        for test, met in told["met"].items():
            for function in {
                *met,
                *(each for use in told["uses"][test] for each in shared.get(use, ())),
            }:
                entering.setdefault(function, set()).add(test)
    return {function: sorted(tests) for function, tests in entering.items()}, took
