"""Every shown case of the contract's second part that is built, against the core; each names its
source. Reference implementations of numpy and scipy stand beside the laws."""

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from emulsa.core import operations
from emulsa.core.errors import CoreError

CASES = json.loads((Path(__file__).parent / "check_values_after.json").read_text(encoding="utf-8"))


def at(answer: Any, path: str) -> Any:
    """What stands at a path of an answer; nothing where there is nothing."""
    for part in path.split("."):
        if isinstance(answer, list) and part.isdigit() and int(part) < len(answer):
            answer = answer[int(part)]
        elif isinstance(answer, dict) and part in answer:
            answer = answer[part]
        else:
            return None
    return answer


def said(value: Any) -> str:
    return value if isinstance(value, str) else json.dumps(value, ensure_ascii=False)


def counted(value: Any) -> Any:
    return len(value) if isinstance(value, list) else value


KINDS: dict[str, Callable[[Any, dict[str, Any], Any], bool]] = {
    "abs": lambda found, row, _: abs(found - row["value"]) <= row["tol"],
    "rel": lambda found, row, _: abs(found - row["value"]) <= row["tol"] * abs(row["value"]),
    "magnitude": lambda found, row, _: abs(abs(found) - abs(row["value"])) <= row["tol"],
    "count": lambda found, row, _: counted(found) == row["value"],
    "true": lambda found, *_: found is True,
    "false": lambda found, *_: found is False,
    "truthy": lambda found, *_: bool(found),
    "nonempty": lambda found, *_: bool(found),
    "null": lambda found, *_: found is None,
    "contains": lambda found, row, _: row["value"] in said(found),
    "lacks": lambda found, row, _: row["value"] not in said(found),
    "ge": lambda found, row, answer: (
        found >= (row["value"] if "value" in row else at(answer, row["than"])) - 1e-12
    ),
    "equal_path": lambda found, row, answer: (
        abs(found * row.get("scale", 1) + row.get("plus", 0) - at(answer, row["than"]))
        <= row["tol"]
    ),
}


def asked(case: dict[str, Any]) -> Any:
    """The answer of a case, or the answers of its several requests."""
    if case.get("requests"):
        return [answer(case["op"], json.dumps(each)) for each in case["requests"]]
    return answer(case["op"], case.get("request_text") or json.dumps(case["request"]))


def answer(operation: str, text: str) -> Any:
    return json.loads(operations.answer_json(operation, text))


@pytest.mark.parametrize("case", CASES, ids=lambda case: f"{case['id']} {case['op']}")
def test_a_shown_case(case: dict[str, Any]) -> None:
    """As the case expects it, or refused at the field it names."""
    if isinstance(case["expect"], dict):
        fields = case["expect"]["field"]
        with pytest.raises(CoreError) as refused:
            asked(case)
        field = refused.value.field or ""
        wanted = [fields] if isinstance(fields, str) else fields
        assert any(field.startswith(each) or each.startswith(field) for each in wanted), field
        return
    found = asked(case)
    for row in case["expect"]:
        value = at(found, row["path"])
        for other in row.get("alt_paths", ()):
            value = at(found, other) if value is None or isinstance(value, dict) else value
        assert KINDS[row["kind"]](value, row, found), (row, value)
