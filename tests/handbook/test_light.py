"""Every shown case of the contract's fifth part that is built, through the second's door."""

import json
from pathlib import Path
from typing import Any

import pytest

from tests.handbook.test_after_the_negative import holds

CASES = json.loads((Path(__file__).parent / "check_values_light.json").read_text(encoding="utf-8"))


@pytest.mark.parametrize("case", CASES, ids=lambda case: f"{case['id']} {case['op']}")
def test_a_shown_case(case: dict[str, Any]) -> None:
    """As the case expects it, or refused at the field it names."""
    holds(case)
