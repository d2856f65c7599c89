"""The fixer's clearing test: how long to fix, and whether the bottle is still good."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.core.chemistry import fixing
from emulsa.core.errors import Missing
from emulsa.core.film.moves import Outcome
from emulsa.core.kit.darkroom import Bottle, Clearing, used_up
from emulsa.core.light.hand_time import watch_text
from emulsa.core.limits import Id


@dataclass(frozen=True, kw_only=True, slots=True)
class ClearingTest:
    """How long a snip of film took to clear; with a bottle, it is kept with it."""

    clearing_s: Clearing
    tabular: bool = False
    bottle_id: Id | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Cleared:
    """How long to fix, and what is wrong with the fixer; empty when it is good."""

    fixing_s: float
    says: str
    trouble: str


def clear(test: ClearingTest, bottle: Bottle | None) -> tuple[Cleared, Outcome]:
    """The first test of a bottle is what it did when fresh; Missing for what is no fixer."""
    fixing_s = fixing.fixing_s(test.clearing_s, test.tabular)
    says = f"Fix for {watch_text(fixing_s)}"
    if bottle is None:
        return Cleared(fixing_s=fixing_s, says=says, trouble=""), Outcome(says="test the fixer")
    if bottle.kind != "fixer":
        raise Missing(f"{bottle.name} is no fixer; choose one.", field="bottle_id")
    tested = replace(
        bottle,
        clearing_s=test.clearing_s,
        fresh_clearing_s=bottle.fresh_clearing_s or test.clearing_s,
    )
    outcome = Outcome(says=f"test {bottle.name}", kept=(tested,))
    return Cleared(fixing_s=fixing_s, says=says, trouble=used_up(tested)), outcome
