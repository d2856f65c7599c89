"""Where source can be broken quietly, and what it would read instead.

A place is one span of one function's text. What stands there instead compiles and, mostly, runs:
the break is in what is meant, as a slip of the hand would be.
"""

import ast
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import pairwise
from pathlib import Path
from random import Random
from typing import Any

COMPARED: dict[type[ast.cmpop], str] = {
    ast.Lt: "<=",
    ast.LtE: "<",
    ast.Gt: ">=",
    ast.GtE: ">",
    ast.Eq: "!=",
    ast.NotEq: "==",
    ast.In: "not in",
    ast.NotIn: "in",
    ast.Is: "is not",
    ast.IsNot: "is",
}
ORDER = " ORDER BY "
Break = tuple[str, tuple[int, int], str]  # of what kind, where, what stands there then
ORDERED = {"min": "max", "max": "min", "sorted": "list", "reversed": "list"}


@dataclass(frozen=True)
class Place:
    """One span of a file (bytes), the function it stands in and what is put there instead."""

    file: str
    function: str  # its dotted name within the module
    line: int
    kind: str  # comparison, term, guard, order, unit, argument or commit
    start: int
    end: int
    before: str
    after: str

    def broken(self, source: bytes) -> bytes:
        """The file's text with this place broken."""
        return source[: self.start] + self.after.encode() + source[self.end :]

    def __str__(self) -> str:
        """As it is listed: where, what kind, what for what."""
        return f"{self.file}:{self.line} {self.function}: {self.kind}: {self.before} → {self.after}"


def functions(tree: ast.Module) -> Iterator[tuple[str, ast.FunctionDef]]:
    """Each function of a module with its dotted name; those within another belong to the outer."""

    def within(body: list[ast.stmt], name: str) -> Iterator[tuple[str, ast.FunctionDef]]:
        for each in body:
            if isinstance(each, ast.FunctionDef):
                yield name + each.name, each
            elif isinstance(each, ast.ClassDef):
                yield from within(each.body, f"{name}{each.name}.")
            elif isinstance(each, ast.If | ast.Try | ast.With):
                yield from within(each.body, name)

    yield from within(tree.body, "")


class Text:
    """A file's bytes, found by the lines and columns the parser tells."""

    def __init__(self, source: bytes) -> None:
        """Where each line begins."""
        self.source = source
        self.begins = [0]
        for line in source.splitlines(keepends=True):
            self.begins.append(self.begins[-1] + len(line))

    def span(self, node: ast.expr | ast.stmt) -> tuple[int, int]:
        """Where a node stands, in bytes."""
        assert node.end_lineno is not None
        assert node.end_col_offset is not None
        return (
            self.begins[node.lineno - 1] + node.col_offset,
            self.begins[node.end_lineno - 1] + node.end_col_offset,
        )

    def of(self, node: ast.expr | ast.stmt) -> str:
        """A node's text."""
        start, end = self.span(node)
        return self.source[start:end].decode()


def places(source: bytes, file: str) -> list[Place]:
    """All places of a file that can be broken, in the order they stand."""
    text = Text(source)
    found = []
    for name, function in functions(ast.parse(source)):
        told = _told(function)
        for node in ast.walk(function):
            if id(node) in told:
                continue
            for kind, (start, end), after in _breaks(node, text):
                before = source[start:end].decode()
                line = source[:start].count(b"\n") + 1
                found.append(Place(file, name, line, kind, start, end, before, after))
    return sorted(found, key=lambda place: (place.start, place.end, place.after))


def _told(function: ast.FunctionDef) -> set[int]:
    """What is only said or typed: docstrings, annotations, and the words of sentences."""
    told: set[int] = set()
    for node in ast.walk(function):
        apart: list[ast.AST | None] = []
        if isinstance(node, ast.FunctionDef):
            apart = [node.returns, *(each.annotation for each in node.args.args)]
            apart += [each.annotation for each in node.args.kwonlyargs]
            apart += node.decorator_list
        elif isinstance(node, ast.AnnAssign):
            apart = [node.annotation]
        elif isinstance(node, ast.JoinedStr):
            apart = [each for each in node.values if not isinstance(each, ast.FormattedValue)]
            apart += [
                each.format_spec for each in node.values if isinstance(each, ast.FormattedValue)
            ]
        elif isinstance(node, ast.Assert):  # for the reader of types, not a rule
            apart = [node]
        for each in apart:
            told.update(id(inner) for inner in ast.walk(each)) if each is not None else None
    return told


def _breaks(node: ast.AST, text: Text) -> Iterator[Break]:
    """What a node can be broken to."""
    for kind, broken in KINDS.items():
        if isinstance(node, kind):
            yield from broken(node, text)


def _comparison(node: ast.Compare, text: Text) -> Iterator[Break]:
    if len(node.ops) != 1 or type(node.ops[0]) not in COMPARED:
        return
    between = (text.span(node.left)[1], text.span(node.comparators[0])[0])
    if not set(b"()") & set(text.source[between[0] : between[1]]):
        yield "comparison", between, f" {COMPARED[type(node.ops[0])]} "


def _sum(node: ast.BinOp, text: Text) -> Iterator[Break]:
    yield "term", text.span(node), f"({text.of(node.left)})"
    if isinstance(node.op, ast.Sub):
        yield "term", text.span(node), f"({text.of(node.right)}) - ({text.of(node.left)})"


def _either(node: ast.BoolOp, text: Text) -> Iterator[Break]:
    yield "term", text.span(node), f"({text.of(node.values[0])})"
    yield "term", text.span(node), f"({text.of(node.values[-1])})"


def _sign(node: ast.UnaryOp, text: Text) -> Iterator[Break]:
    if isinstance(node.op, ast.Not | ast.USub):
        yield "term", text.span(node), f"({text.of(node.operand)})"


def _guard(node: ast.If, text: Text) -> Iterator[Break]:
    yield "guard", text.span(node.test), f"False and ({text.of(node.test)})"
    yield "guard", text.span(node.test), f"True or ({text.of(node.test)})"


def _choice(node: ast.IfExp, text: Text) -> Iterator[Break]:
    yield "guard", text.span(node), f"({text.of(node.body)})"
    yield "guard", text.span(node), f"({text.of(node.orelse)})"


def _call(node: ast.Call, text: Text) -> Iterator[Break]:
    if isinstance(node.func, ast.Name) and node.func.id in ORDERED:
        if node.func.id in ("min", "max") or not node.keywords:
            yield "order", text.span(node.func), ORDERED[node.func.id]
        else:
            yield "order", text.span(node), f"list({text.of(node.args[0])})"
        return
    for one, other in pairwise(node.args):
        if not isinstance(one, ast.Starred) and not isinstance(other, ast.Starred):
            span = (text.span(one)[0], text.span(other)[1])
            yield "argument", span, f"{text.of(other)}, {text.of(one)}"
    for keyword in node.keywords if len(node.keywords) > 1 else ():
        if keyword.arg is None or isinstance(keyword.value, ast.Constant):
            continue
        start, end = text.span(keyword.value)
        if text.source[end : end + 1] == b",":
            yield "argument", (start - len(keyword.arg) - 1, end + 1), ""


def _constant(node: ast.Constant, text: Text) -> Iterator[Break]:
    value = node.value
    if isinstance(value, bool):
        yield "unit", text.span(node), str(not value)
    elif isinstance(value, int | float):
        yield "unit", text.span(node), repr(value + 1)
        if value:
            yield "unit", text.span(node), repr(value * 10)
    elif isinstance(value, str) and ORDER in value:
        span = text.span(node)
        said = text.source[span[0] : span[1]].decode()
        before, _, rest = said.partition(ORDER)
        stop = next((rest.index(end) for end in (" LIMIT ", '"') if end in rest), len(rest))
        yield "order", span, before + rest[stop:]


def _done(node: ast.Expr, text: Text) -> Iterator[Break]:
    if isinstance(node.value, ast.Call | ast.Await):
        yield "commit", text.span(node), "pass"


KINDS: dict[type[ast.AST], Callable[[Any, Text], Iterator[Break]]] = {
    ast.Compare: _comparison,
    ast.BinOp: _sum,
    ast.BoolOp: _either,
    ast.UnaryOp: _sign,
    ast.If: _guard,
    ast.IfExp: _choice,
    ast.Call: _call,
    ast.Constant: _constant,
    ast.Expr: _done,
}


def draw(root: Path, seed: int, count: int) -> list[Place]:
    """So many places of the whole source, drawn by seed: a function's line, a kind, a place.

    By lines, so that a long function is drawn as often as its length asks; a line with many
    places is not drawn more often than one with a single one.
    """
    lines: dict[tuple[str, int], list[Place]] = {}
    for path in sorted(root.rglob("*.py")):
        if "built" in path.parts:
            continue
        file = str(path.relative_to(root.parent.parent))
        for place in places(path.read_bytes(), file):
            lines.setdefault((file, place.line), []).append(place)
    chance = Random(seed)
    drawn = []
    for each in chance.sample(sorted(lines), count):
        kind = chance.choice(sorted({place.kind for place in lines[each]}))
        drawn.append(chance.choice([place for place in lines[each] if place.kind == kind]))
    return drawn
