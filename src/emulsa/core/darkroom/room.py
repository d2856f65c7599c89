"""How much film finds room in a tank."""

from __future__ import annotations

import math
from collections.abc import Iterable
from fractions import Fraction

from emulsa.core.data.line import (
    ROLL_PLACES,
    SHEET_IN2,
)
from emulsa.core.errors import Impossible
from emulsa.core.kit.darkroom import Tank


def sheet_places(area_in2: float) -> int:
    """Places of 4×5 a sheet takes in a tank.

    >>> sheet_places(20), sheet_places(35), sheet_places(80)
    (1, 2, 4)
    """
    return max(1, math.ceil(area_in2 / SHEET_IN2 - 1e-9))


def roll_share(tank: Tank) -> Fraction:
    """The part of a tank one reel takes: of its reels, or of its sheets when those are not said;
    more than all of it when it takes none.

    >>> [roll_share(Tank(id="t", name="T", holds=6, holds_rolls=each)) for each in (None, 2)]
    [Fraction(2, 3), Fraction(1, 2)]
    """
    if tank.holds_rolls is None:
        return Fraction(ROLL_PLACES, tank.holds)
    return Fraction(1, tank.holds_rolls) if tank.holds_rolls else Fraction(2)


def share_together(tank: Tank, sheets_in2: Iterable[float], rolls: int) -> Fraction:
    """The part of a tank that sheets and reels take together.

    >>> share_together(Tank(id="t", name="Tank", holds=9), [20, 80], 1)
    Fraction(1, 1)
    """
    sheets = Fraction(sum(sheet_places(each) for each in sheets_in2), tank.holds)
    return sheets + rolls * roll_share(tank)


def check_room(tank: Tank, share: Fraction, field: str) -> None:
    """Impossible when film takes more than the whole tank."""
    if share > 1:
        raise Impossible(
            f"{tank.name} holds {room_text(tank)}; this is more than fits. Take some out, or choose"
            " another tank.",
            field=field,
        )


def room_text(tank: Tank) -> str:
    """What a tank holds, in words.

    >>> room_text(Tank(id="t", name="T", holds=4)), room_text(Tank(id="t", name="T", holds_rolls=2))
    ('4 sheets of 4×5 (a roll counts as 4)', '4 sheets of 4×5 or 2 rolls')
    """
    sheets = f"{tank.holds} sheets of 4×5"
    if tank.holds_rolls is None:
        return f"{sheets} (a roll counts as {ROLL_PLACES})"
    rolls = f"{tank.holds_rolls} roll{'' if tank.holds_rolls == 1 else 's'}"
    return f"{sheets} or {rolls}" if tank.holds_rolls else f"{sheets} and no rolls"
