"""JSON to the core's dataclasses and back: one decoder for every door.

The server, the command line and the browser worker all read requests here, so they accept and
refuse the same things with the same sentences. Decoders are built once for each type; unknown
fields, NaN and infinity are refused, and a field's name is a dotted path (``readings.2.label``).
"""

from __future__ import annotations

import dataclasses
import json
import keyword
import math
import re
import types
import typing
from collections.abc import Callable
from functools import cache
from operator import attrgetter
from typing import Annotated, Any, Literal, Union, get_args, get_origin

from emulsa.core import degrees, lengths, typed, watch
from emulsa.core.errors import CoreError, Missing, OutOfRange, UnknownField, Unreadable
from emulsa.core.limits import Length, Within
from emulsa.core.moments import Instant

Decoder = Callable[[Any, str], Any]
# what may be typed with its unit, by the unit the core keeps it in
# What is typed is read by the unit of its range, or by how it is written.
TYPED: dict[str, Callable[[Any, str], Any]] = {
    "zone": typed.zone_of,
    "n": typed.n_of,
    "°C": degrees.of,
    "min": watch.minutes_of,
    "s": watch.seconds_of,
    "mm": lengths.mm_of,
    "ml": lengths.ml_of,
}
TAGS = ("kind", "school", "scale")
# halves of a character, and control characters other than a line's end and a tab
UNSTORABLE = re.compile("[\ud800-\udfff\0-\x08\x0b\x0c\x0e-\x1f\x7f]")


DEEPEST = 200
TEXTS, BRACKETS = re.compile(r'"(?:[^"\\]|\\.)*"'), re.compile(r"[][{}]")


def loads(kind: Any, text: str | bytes) -> Any:
    """The request of type ``kind`` in a JSON text."""
    return decode(kind, parsed(text))


def parsed(text: str | bytes) -> Any:
    """The value of a JSON text; Unreadable when it is none, or nested deeper than any request.

    The depth is bound before it is read: in a browser the stack of the runtime itself would end.
    """
    opened = ("[", "{") if isinstance(text, str) else (b"[", b"{")
    if sum(map(text.count, opened)) > DEEPEST and _depth(text) > DEEPEST:  # type: ignore[arg-type]
        raise Unreadable(f"This JSON is nested more than {DEEPEST} deep; no request is.")
    try:
        return json.loads(text)
    except (ValueError, RecursionError) as problem:
        raise Unreadable(f"This is not readable JSON: {problem}.") from None


def _depth(text: str | bytes) -> int:
    """How deep a JSON text is nested at most.

    >>> _depth('{"a": [1, "[[["]}')
    2
    """
    plain = text if isinstance(text, str) else text.decode("utf-8", "replace")
    deepest = depth = 0
    for bracket in BRACKETS.findall(TEXTS.sub("", plain)):
        depth += 1 if bracket in "[{" else -1
        deepest = max(deepest, depth)
    return deepest


def has_comma(text: str | bytes) -> bool:
    """Whether a JSON text holds a decimal comma in anything that was typed.

    >>> has_comma('{"a": [1,2], "b": "x"}'), has_comma('{"a": "1,5"}')
    (False, True)
    """
    plain = text if isinstance(text, str) else text.decode("utf-8", "replace")
    return any(typed.DECIMAL_COMMA.search(each) for each in TEXTS.findall(plain))


def dumps(answer: Any) -> str:
    """The JSON text of an answer; NaN never leaves the core."""
    return _ENCODER.encode(answer)


def decode(kind: Any, value: Any, field: str = "") -> Any:
    """``value`` (parsed JSON) as a ``kind``: a dataclass, a union of them, or an annotated type.

    Raises CoreError with the field's path.
    """
    return _decoder(kind)(value, field)


def encode(value: Any) -> Any:
    """Dataclasses as dicts and tuples as lists, ready for ``json``."""
    if isinstance(value, (str, int, float, bool)) or value is None:
        return value
    if isinstance(value, (tuple, list)):
        return [encode(entry) for entry in value]
    if isinstance(value, dict):
        return {key: encode(entry) for key, entry in value.items()}
    names = _names(value.__class__)
    return {called(name): encode(getattr(value, name)) for name in names}


@cache
def _names(kind: Any) -> tuple[str, ...]:
    return tuple(field.name for field in dataclasses.fields(kind))


def called(name: str) -> str:
    """What a field is called outside: a word of the language itself has a line behind it here.

    >>> called("from_"), called("iso")
    ('from', 'iso')
    """
    return name[:-1] if name.endswith("_") and keyword.iskeyword(name[:-1]) else name


@cache
def _taking(kind: Any) -> Callable[[Any], Any]:
    names = _names(kind)
    said = tuple(map(called, names))
    if len(names) < 2:
        return lambda record: {
            word: getattr(record, name) for word, name in zip(said, names, strict=True)
        }
    taken = attrgetter(*names)
    return lambda record: dict(zip(said, taken(record), strict=True))


def _fields(record: Any) -> dict[str, Any]:
    found: dict[str, Any] = _taking(record.__class__)(record)
    return found


# A record is asked for its fields only where JSON meets it; all between is written in C.
_ENCODER = json.JSONEncoder(
    ensure_ascii=False,
    allow_nan=False,
    check_circular=False,
    separators=(",", ":"),
    default=_fields,
)


@cache
def _decoder(kind: Any) -> Decoder:
    origin, arguments = get_origin(kind), get_args(kind)
    if origin is Annotated:
        return _bounded(arguments[0], arguments[1:])
    if origin is Literal:
        return _choice(arguments)
    if origin in (Union, types.UnionType):
        return _union(arguments)
    if origin is tuple:
        return _list(arguments[0]) if arguments[1:] == (...,) else _row(arguments)
    if origin is dict:
        return _mapping if arguments[1:] in ((), (Any,)) else _typed_mapping(arguments)
    if dataclasses.is_dataclass(kind):
        return _record(kind)
    return {float: _number, int: _whole, bool: _flag, str: _text, type(None): _null}[kind]


def _bounded(kind: Any, limits: tuple[Any, ...]) -> Decoder:
    inner = _decoder(kind)
    units = [limit.typed or limit.unit for limit in limits if isinstance(limit, Within)]
    read = TYPED.get(units[0]) if units else None
    tables = [limit.reads for limit in limits if isinstance(limit, Length) and limit.reads]
    if tables:
        read = _table(tables[0])
    checks = [limit.check for limit in limits if isinstance(limit, (Within, Length, Instant))]
    if len(checks) == 1 and read is None:
        (only,) = checks
        return lambda value, field: only(inner(value, field), field)

    def decoded(value: Any, field: str) -> Any:
        result = inner(value if read is None else read(value, field), field)
        for check in checks:
            check(result, field)
        return result

    return decoded


def _table(reads: Callable[[str], Any]) -> Callable[[Any, str], Any]:
    """A list from the lines it is typed as; anything else as it is."""
    return lambda value, _: reads(value) if isinstance(value, str) else value


def _number(value: Any, field: str) -> float:
    return _plain(typed.number_of(value, field), field)


def _plain(value: Any, field: str) -> float:
    if isinstance(value, bool) or not isinstance(value, (int, float)):
        raise Unreadable(f"“{_shown(value)}” is not a number.", field=field)
    try:
        number = float(value)
    except OverflowError:
        number = math.inf
    if not math.isfinite(number):
        raise OutOfRange("This is not a number one can work with (NaN or infinite).", field=field)
    return number


def _whole(value: Any, field: str) -> int:
    number = _number(value, field)
    if number != int(number):
        raise Unreadable(f"“{_shown(value)}” is not a whole number.", field=field)
    return int(number)


def _flag(value: Any, field: str) -> bool:
    if not isinstance(value, bool):
        raise Unreadable(f"“{_shown(value)}” is neither true nor false.", field=field)
    return value


def _text(value: Any, field: str) -> str:
    if not isinstance(value, str):
        raise Unreadable(f"“{_shown(value)}” is not text.", field=field)
    if UNSTORABLE.search(value):
        raise Unreadable("This text holds characters that cannot be stored.", field=field)
    return value


def _null(value: Any, field: str) -> None:
    if value is not None:
        raise Unreadable("This must be left empty.", field=field)


def _mapping(value: Any, field: str) -> dict[str, Any]:
    if not isinstance(value, dict):
        raise Unreadable("An object in braces is needed here.", field=field)
    return value


def _typed_mapping(kinds: tuple[Any, ...]) -> Decoder:
    key_of, value_of = (_decoder(kind) for kind in kinds)

    def decoded(value: Any, field: str) -> dict[Any, Any]:
        return {
            key_of(key, field): value_of(entry, _path(field, key))
            for key, entry in _mapping(value, field).items()
        }

    return decoded


def _choice(options: tuple[Any, ...]) -> Decoder:
    def decoded(value: Any, field: str) -> Any:
        for option in options:
            if type(value) is type(option) and value == option:
                return value
        listed = ", ".join(str(option) for option in options)
        raise Unreadable(
            f"“{_shown(value)}” is none of {listed}.", field=field, allowed=list(options)
        )

    return decoded


def _list(kind: Any) -> Decoder:
    inner, counts = _decoder(kind), _range_of_counts(kind)

    def decoded(value: Any, field: str) -> tuple[Any, ...]:
        if not isinstance(value, (list, tuple)):
            raise Unreadable("A list is needed here.", field=field)
        # a picture is thousands of counts: together first, and one by one when one is off
        whole = bool(counts) and {*map(type, value)} == {int}
        if counts and whole and counts.low <= min(value) and max(value) <= counts.high:
            return tuple(value)
        return tuple(inner(entry, f"{field}.{place}") for place, entry in enumerate(value))

    return decoded


def _range_of_counts(kind: Any) -> Within | None:
    """The range of whole numbers that are nothing else; none of any other kind."""
    limits = get_args(kind)[1:] if get_origin(kind) is Annotated else ()
    if len(limits) == 1 and isinstance(limits[0], Within) and get_args(kind)[0] is int:
        return None if limits[0].unit in TYPED else limits[0]
    return None


def _row(kinds: tuple[Any, ...]) -> Decoder:
    inners = [_decoder(kind) for kind in kinds]

    def decoded(value: Any, field: str) -> tuple[Any, ...]:
        if not isinstance(value, (list, tuple)) or len(value) != len(inners):
            raise Unreadable(f"A row of {len(inners)} values is needed here.", field=field)
        pairs = zip(inners, value, strict=True)
        return tuple(inner(entry, f"{field}.{place}") for place, (inner, entry) in enumerate(pairs))

    return decoded


def _union(kinds: tuple[Any, ...]) -> Decoder:
    records: list[Any] = [kind for kind in kinds if dataclasses.is_dataclass(kind)]
    if records:
        inner = _tagged(records) if len(records) > 1 else _decoder(records[0])
        optional = type(None) in kinds
        return lambda value, field: None if optional and value is None else inner(value, field)
    return _first_fitting(kinds)


def _tagged(records: list[Any]) -> Decoder:
    """One of several records, told apart by the literal in their ``kind`` or ``school``."""
    hints = {record: typing.get_type_hints(record) for record in records}
    tag = next(name for name in TAGS if name in hints[records[0]])
    by_tag = {
        option: _decoder(record) for record in records for option in get_args(hints[record][tag])
    }
    known = ", ".join(by_tag)

    def decoded(value: Any, field: str) -> Any:
        if not isinstance(value, dict):
            raise Unreadable("An object in braces is needed here.", field=field)
        name = value.get(tag)
        if not isinstance(name, str) or name not in by_tag:
            raise Unreadable(
                f"“{_shown(name)}” is none of {known}.",
                field=_path(field, tag),
                allowed=list(by_tag),
            )
        return by_tag[name](value, field)

    return decoded


def _first_fitting(kinds: tuple[Any, ...]) -> Decoder:
    """A union of plain types, told apart by the JSON type; the last refusal is the one said.

    Text is read as a number only where it can be nothing else; left empty it is nothing.
    """
    ordered = sorted(kinds, key=lambda kind: kind is not type(None))
    inners = [_decoder(kind) for kind in ordered]
    textual = [_is_text(kind) for kind in ordered]
    empty = type(None) in kinds and not any(textual)

    def decoded(value: Any, field: str) -> Any:
        if isinstance(value, str):
            if empty and not value.strip():
                return None
            if any(textual):
                return _tried(
                    [each for each, text in zip(inners, textual, strict=True) if text], value, field
                )
        return _tried(inners, value, field)

    return decoded


def _is_text(kind: Any) -> bool:
    bare = get_args(kind)[0] if get_origin(kind) is Annotated else kind
    return bare is str or get_origin(bare) is Literal


def _tried(inners: list[Decoder], value: Any, field: str) -> Any:
    problem: CoreError | None = None
    for inner in inners:
        try:
            return inner(value, field)
        except CoreError as refusal:
            if not isinstance(problem, OutOfRange):
                problem = refusal
    assert problem is not None
    raise problem


def _record(kind: Any) -> Decoder:
    hints = typing.get_type_hints(kind, include_extras=True)
    own = {called(field.name): field.name for field in dataclasses.fields(kind)}
    fields = {word: _decoder(hints[name]) for word, name in own.items()}
    needed = [
        called(field.name)
        for field in dataclasses.fields(kind)
        if field.default is dataclasses.MISSING and field.default_factory is dataclasses.MISSING
    ]

    def decoded(value: Any, field: str) -> Any:
        if not isinstance(value, dict):
            raise Unreadable("An object in braces is needed here.", field=field or None)
        arguments = {}
        for name, entry in value.items():
            if name not in fields:
                raise UnknownField(
                    f"There is no field “{_shown(name)}” here; known are {', '.join(fields)}.",
                    field=_path(field, name),
                    allowed=list(fields),
                )
            arguments[own[name]] = fields[name](entry, f"{field}.{name}" if field else name)
        for name in needed:
            if own[name] not in arguments:
                raise Missing(f"“{name}” is missing.", field=_path(field, name))
        try:
            return kind(**arguments)
        except CoreError as problem:
            if problem.field and field:
                problem.field = f"{field}.{problem.field}"
            raise problem.at(field) from None

    return decoded


def _path(field: str, name: str) -> str:
    shown = "".join("?" if 0xD800 <= ord(character) <= 0xDFFF else character for character in name)
    return f"{field}.{shown[:60]}" if field else shown[:60]


def _shown(value: Any) -> str:
    text = "nothing" if value is None else str(value)
    clean = "".join("?" if 0xD800 <= ord(character) <= 0xDFFF else character for character in text)
    return clean if len(clean) <= 40 else clean[:39] + "…"
