"""Every shown case of the contract's second part that is built, against the core; each names its
source. Reference implementations of numpy and scipy stand beside the laws."""

import json
from collections.abc import Callable
from itertools import pairwise
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


def every(answer: Any, path: str) -> list[Any]:
    """What stands at a path in which * is every entry of a list."""
    before, star, after = f".{path}".partition(".*")
    if not star:
        return [at(answer, path)]
    entries = at(answer, before.lstrip(".")) if before else answer
    return [at(each, after.lstrip(".")) for each in entries]


def lstar(reflectance: float) -> float:
    """CIE 1976 L*, from memory."""
    linear = reflectance * 24389 / 27
    return 116 * reflectance ** (1 / 3) - 16 if reflectance > 216 / 24389 else linear


def alike(found: Any, row: dict[str, Any], answer: Any, law: Callable[[float], float]) -> bool:
    """Every entry is the law of the entry beside it."""
    beside = every(answer, named(row["of"]))
    return all(abs(y - law(x)) <= row["tol"] for y, x in zip(found, beside, strict=True))


def spread(found: float, row: dict[str, Any], answer: Any) -> bool:
    low, than, under = (at(answer, named(row[each])) for each in ("minus", "than", "than_minus"))
    return bool(found - low >= than - under + row["margin"])


def named(path: str) -> str:
    """The contract calls L* lightness; the cases' own names are proposals."""
    return path.replace("L*", "lightness")


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
    "falsy": lambda found, *_: not found,
    "nonempty": lambda found, *_: bool(found),
    "null": lambda found, *_: found is None,
    "contains": lambda found, row, _: row["value"] in said(found),
    "lacks": lambda found, row, _: row["value"] not in said(found),
    "exact": lambda found, row, _: found == row["value"],
    "empty": lambda found, *_: not found,
    "le": lambda found, row, answer: (
        found
        <= (row["value"] if "value" in row else at(answer, row["than"]) - row.get("margin", 0))
        + 1e-12
    ),
    "in": lambda found, row, _: row["low"] <= found <= row["high"],
    "within": lambda found, row, _: all(
        row["low"] <= each <= row["high"]
        for each in (found if isinstance(found, list) else [found])
    ),
    "any_abs": lambda found, row, _: any(abs(x - row["value"]) <= row["tol"] for x in found),
    "rising": lambda found, row, _: all(b >= a - row.get("tol", 0) for a, b in pairwise(found)),
    "falling": lambda found, row, _: all(b <= a + row.get("tol", 0) for a, b in pairwise(found)),
    "pow_of": lambda found, row, answer: alike(found, row, answer, lambda x: 10**-x),
    "lstar_of": lambda found, row, answer: alike(found, row, answer, lstar),
    "spread_gt": spread,
    "ge": lambda found, row, answer: (
        found
        >= (row["value"] if "value" in row else at(answer, row["than"]) + row.get("margin", 0))
        - 1e-12
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


def holds(case: dict[str, Any]) -> None:
    """Every row of what a case expects, or its refusal at the field it names."""
    if isinstance(case["expect"], dict):
        fields = case["expect"]["field"]
        with pytest.raises(CoreError) as refused:
            asked(case)
        field = refused.value.field or ""
        wanted = [fields] if isinstance(fields, str) else fields or [""]
        assert any(field.startswith(each) or each.startswith(field) for each in wanted), field
        return
    found = asked(case)
    for row in case["expect"]:
        path = named(row["path"])
        value = every(found, path) if "*" in path else at(found, path)
        for other in row.get("alt_paths", ()):
            if value is None or isinstance(value, dict):
                value = at(found, named(other))
        assert KINDS[row["kind"]](value, row, found), (row, value)


@pytest.mark.parametrize("case", CASES, ids=lambda case: f"{case['id']} {case['op']}")
def test_a_shown_case(case: dict[str, Any]) -> None:
    """As the case expects it, or refused at the field it names."""
    holds(case)
