"""Where source can be broken quietly, and what it would read instead.

A place is one span of one function's text. What stands there instead compiles and, mostly, runs:
the break is in what is meant, as a slip of the hand would be.
"""

import ast
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from pathlib import Path
from random import Random

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
        assert node.end_lineno is not None and node.end_col_offset is not None
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


def _breaks(node: ast.AST, text: Text) -> Iterator[tuple[str, tuple[int, int], str]]:
    """What a node can be broken to: kind, span, new text."""
    match node:
        case ast.Compare(ops=[op], left=left, comparators=[right]) if type(op) in COMPARED:
            between = (text.span(left)[1], text.span(right)[0])
            if not set(b"()") & set(text.source[between[0] : between[1]]):
                yield "comparison", between, f" {COMPARED[type(op)]} "
        case ast.BinOp(left=left, right=right):
            yield "term", text.span(node), f"({text.of(left)})"
            if isinstance(node.op, ast.Sub):
                yield "term", text.span(node), f"({text.of(right)}) - ({text.of(left)})"
        case ast.BoolOp(values=values):
            yield "term", text.span(node), f"({text.of(values[0])})"
            yield "term", text.span(node), f"({text.of(values[-1])})"
        case ast.UnaryOp(op=ast.Not() | ast.USub(), operand=operand):
            yield "term", text.span(node), f"({text.of(operand)})"
        case ast.If(test=test):
            yield "guard", text.span(test), f"False and ({text.of(test)})"
            yield "guard", text.span(test), f"True or ({text.of(test)})"
        case ast.IfExp(body=body, orelse=orelse):
            yield "guard", text.span(node), f"({text.of(body)})"
            yield "guard", text.span(node), f"({text.of(orelse)})"
        case ast.Call(func=ast.Name(id=name)) if name in ORDERED:
            if name in ("min", "max") or not node.keywords:
                yield "order", text.span(node.func), ORDERED[name]
            else:
                yield "order", text.span(node), f"list({text.of(node.args[0])})"
        case ast.Call(args=args, keywords=keywords):
            for one, other in pairwise(args):
                if not isinstance(one, ast.Starred) and not isinstance(other, ast.Starred):
                    span = (text.span(one)[0], text.span(other)[1])
                    yield "argument", span, f"{text.of(other)}, {text.of(one)}"
            for keyword in keywords:
                if keyword.arg and isinstance(keyword.value, ast.Constant):
                    continue
                if keyword.arg and len(keywords) > 1:
                    start, end = text.span(keyword.value)
                    start -= len(keyword.arg) + 1
                    if text.source[end : end + 1] == b",":
                        yield "argument", (start, end + 1), ""
        case ast.Constant(value=bool() as value):
            yield "unit", text.span(node), str(not value)
        case ast.Constant(value=int() | float() as value):
            yield "unit", text.span(node), repr(value + 1)
            if value:
                yield "unit", text.span(node), repr(value * 10)
        case ast.Constant(value=str() as value) if " ORDER BY " in value:
            start, end = text.span(node)
            said = text.source[start:end].decode()
            at = said.index(" ORDER BY ")
            rest = said[at + 10 :]
            stop = next((rest.index(w) for w in (" LIMIT ", '"') if w in rest), len(rest))
            yield "order", (start, end), said[:at] + rest[stop:]
        case ast.Expr(value=ast.Call() | ast.Await()):
            yield "commit", text.span(node), "pass"


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
