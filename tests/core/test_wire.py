"""The decoder: what it takes, and the one sentence of everything it refuses."""

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core import operations, wire
from emulsa.core.data import examples
from emulsa.core.errors import CoreError
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.picture.area import PhotoArea

EXAMPLE = examples.EXPOSURE_EXAMPLE


def changed(path: str, value: Any) -> dict[str, Any]:
    """The example with one value changed; ``...`` takes it out."""
    copy: dict[str, Any] = json.loads(json.dumps(EXAMPLE))
    *steps, last = path.split(".")
    inner: Any = copy
    for step in steps:
        inner = inner[int(step)] if step.isdigit() else inner[step]
    key: Any = int(last) if last.isdigit() else last
    if value is ...:
        del inner[key]
    else:
        inner[key] = value
    return copy


REFUSED = [
    ("readings.0.reading.ev", 25, "readings.0.reading.ev", "between −8 and 24", [-8, 24]),
    ("readings.0.reading.ev", "nine", "readings.0.reading.ev", "not a number", None),
    ("readings.0.reading.ev", True, "readings.0.reading.ev", "not a number", None),
    ("readings.0.reading.kind", "feeling", "readings.0.reading.kind", "none of", None),
    ("placement.zone", 10.5, "placement.zone", "between 0 and 10", [0, 10]),
    ("placement.school", "hunch", "placement.school", "none of", None),
    ("focus.draw_mm", -1, "focus.draw_mm", "between 0 and 3000 mm", [0, 3000]),
    ("ei", 0, "ei", "between 0.5 and 25600", [0.5, 25600]),
    ("ei", ..., "ei", "missing", None),
    ("colour", "blue", "colour", "no field", None),
    ("filters.0.factor", 0.5, "filters.0.factor", "between 1 and", [1, 100000]),
    ("filters.0.stops", 3, "filters.0.factor", "one of factor", None),
    ("textural_range", [2], "textural_range", "row of 2", None),
    ("textural_range", [8, 2], "textural_range", "rise", None),
    ("readings", [], "readings", "at least 1", [1, 200]),
    ("readings", {}, "readings", "list", None),
    ("aperture", "x" * 20, "aperture", "16 characters", None),
    ("aperture", 0.1, "aperture", "between 0.5 and 2000", None),
    ("law", {"kind": "table", "rows": [[1, 0.5]]}, "law.rows.0", "shorter", None),
    ("law.exponent", 3, "law.exponent", "between 1 and 2", [1, 2]),
    ("readings.0.label", "x" * 81, "readings.0.label", "80 characters", None),
    ("readings.0.label", "a\0b", "readings.0.label", "cannot be stored", None),
    ("readings.0.label", 7, "readings.0.label", "is not text", None),
    ("filters.0.metered_through", "yes", "filters.0.metered_through", "neither true nor", None),
    ("ei", 10**400, "ei", "infinite", None),
    ("focus", [], "focus", "object in braces", None),
]


@pytest.mark.parametrize(("path", "value", "field", "says", "allowed"), REFUSED)
def test_refusals(path: str, value: Any, field: str, says: str, allowed: Any) -> None:
    """One sentence, the field's path, the allowed range."""
    with pytest.raises(CoreError) as refusal:
        wire.decode(ExposureRequest, changed(path, value))
    assert refusal.value.field == field
    assert says in refusal.value.message
    assert allowed is None or refusal.value.allowed == allowed


@pytest.mark.parametrize("word", ["NaN", "Infinity", "-Infinity", "1e999"])
def test_numbers_nobody_can_work_with(word: str) -> None:
    """NaN and infinity are refused in every spelling JSON parsers know."""
    text = json.dumps(changed("ei", "HERE")).replace('"HERE"', word)
    with pytest.raises(CoreError) as refusal:
        wire.loads(ExposureRequest, text)
    assert refusal.value.field == "ei"


@pytest.mark.parametrize("text", ["", "{", "[1", "nonsense", b"\xff\xfe", "[" * 100_000])
def test_text_that_is_no_json(text: str | bytes) -> None:
    """Broken JSON is said to be broken."""
    with pytest.raises(CoreError, match=r"JSON|braces"):
        wire.loads(ExposureRequest, text)


json_values = st.recursive(
    st.none() | st.booleans() | st.floats() | st.integers() | st.text(max_size=8),
    lambda inner: (
        st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=8), inner, max_size=4)
    ),
    max_leaves=8,
)


@given(st.sampled_from(sorted(operations.TABLE)), json_values)
def test_any_json_is_answered_or_refused(name: str, value: Any) -> None:
    """No request whatever raises anything but a CoreError."""
    try:
        answer = operations.answer_json(name, json.dumps(value))
    except CoreError as refusal:
        assert refusal.message
    else:
        assert json.loads(answer)


@given(
    st.sampled_from(sorted(operations.TABLE)),
    st.data(),
    json_values,
)
def test_any_change_of_an_example_is_answered_or_refused(
    name: str, data: st.DataObject, value: Any
) -> None:
    """The same of examples with one field replaced by anything."""
    request = dict(operations.TABLE[name].example)
    request[data.draw(st.sampled_from(sorted(request)))] = value
    try:
        answer = operations.answer_json(name, json.dumps(request))
    except CoreError as refusal:
        assert refusal.message
    else:
        assert "NaN" not in answer


@pytest.mark.parametrize("name", sorted(operations.TABLE))
def test_every_example_runs(name: str) -> None:
    """The documents' examples are requests that work."""
    operation = operations.TABLE[name]
    answer = json.loads(operations.answer_json(name, json.dumps(operation.example)))
    assert answer


def test_unknown_operations_are_named() -> None:
    """With the names there are."""
    with pytest.raises(CoreError, match="reading, exposure"):
        operations.answer_json("guess", "{}")


@pytest.mark.parametrize(
    ("counts", "field", "says"),
    [
        ([3, -1, 2], "counts.1", "Pixels of a level must be between 0"),
        ([3, 10**10], "counts.1", "Pixels of a level must be between 0"),
        ([3, True], "counts.1", "not a number"),
        ([3, 1.5], "counts.1", "not a whole number"),
        ([3, "x"], "counts.1", "not a number"),
        ([3], "counts", "at least 2"),
    ],
)
def test_many_counts_are_looked_at_one_by_one_when_one_is_off(
    counts: list[Any], field: str, says: str
) -> None:
    """Read together they would be quicker, and no less strict."""
    with pytest.raises(CoreError) as refusal:
        wire.decode(PhotoArea, {"counts": counts})
    assert refusal.value.field == field
    assert says in refusal.value.message


def test_many_counts_are_what_was_sent() -> None:
    assert wire.decode(PhotoArea, {"counts": [0, 5, 7]}).counts == (0, 5, 7)
    assert wire.decode(PhotoArea, {"counts": [0, 5.0, "7"]}).counts == (0, 5, 7)
