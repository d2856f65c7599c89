"""Advice: what an experienced friend would say. Never in the sum, never blocking."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal


@dataclass(frozen=True, kw_only=True, slots=True)
class Advice:
    """One plain sentence with a code and how much it matters."""

    code: str
    severity: Literal["note", "caution", "warning"]
    text: str
