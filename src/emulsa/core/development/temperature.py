"""Temperature: t = t_ref · exp(−k·(T − T_ref)), or the maker's table; 18…27 °C, and elsewhere where
the recipe itself is at home, its table reaches, or the photographer has a reason.

A table is read straight in log time against temperature, which is the same law between its rows;
beyond its ends the constant k carries on from the last row. Semi-stand and stand development is
hardly touched by 2 °C, and counts only what exceeds it (common practice, no source).

Source: Todd & Zakia, Photographic Sensitometry (form); k 0.07–0.10 per °C from memory.
"""

from __future__ import annotations

import math

from emulsa.core.corrections.film_kinds import row_of
from emulsa.core.data.development import ALLOWED_C, OWN_C, UNCRITICAL, UNCRITICAL_C
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.degrees import celsius, fahrenheit
from emulsa.core.development.recipes import Recipe
from emulsa.core.development.thumb import log_linear
from emulsa.core.errors import OutOfRange
from emulsa.core.numbers import plain
from emulsa.core.written import temperature_text, warmth_text


def factor(temperature_c: float, reference_c: float, k_per_c: float) -> float:
    """exp(−k·(T − T_ref)): what the reference time is multiplied by.

    >>> round(10 * factor(24, 20, 0.09), 6)
    6.976763
    """
    return math.exp(-k_per_c * (temperature_c - reference_c))


def of_recipe(recipe: Recipe, temperature_c: float) -> tuple[float, str]:
    """What a recipe's time is multiplied by at a temperature, and why.

    >>> of_recipe(Recipe(), 24)
    (0.697676326071031, 'k 0.09 per °C')
    """
    off = temperature_c - recipe.temperature_c
    if recipe.scheme in UNCRITICAL:
        beyond = max(0.0, abs(off) - UNCRITICAL_C)
        if beyond <= 1e-9:
            return 1.0, f"uncritical within {warmth_text(UNCRITICAL_C)}"
        temperature_c = recipe.temperature_c + math.copysign(beyond, off)
    if len(recipe.warmth) < 2:
        by_k = factor(temperature_c, recipe.temperature_c, recipe.k_per_c)
        return by_k, f"k {plain(recipe.k_per_c)} per °C"
    return (
        _table_minutes(recipe, temperature_c) / _table_minutes(recipe, recipe.temperature_c),
        "by the maker's table" if _reached(recipe, temperature_c) else "beyond the table, by k",
    )


def k_near(recipe: Recipe, temperature_c: float) -> float:
    """The constant that joins the recipe's temperature to this one: what a drift is timed by.

    >>> k_near(Recipe(), 22)
    0.09
    """
    off = temperature_c - recipe.temperature_c
    if len(recipe.warmth) < 2:
        return recipe.k_per_c
    step = off if abs(off) > 0.5 else 0.5
    ratio = _table_minutes(recipe, recipe.temperature_c + step) / _table_minutes(
        recipe, recipe.temperature_c
    )
    return -math.log(ratio) / step


def sure(recipe: Recipe, temperature_c: float) -> bool:
    """Whether the maker's table, if there is one, reaches so far.

    >>> sure(Recipe(), 26)
    True
    """
    return len(recipe.warmth) < 2 or _reached(recipe, temperature_c)


def _reached(recipe: Recipe, temperature_c: float) -> bool:
    rows = [each.temperature_c for each in recipe.warmth]
    return min(rows) - 1e-9 <= temperature_c <= max(rows) + 1e-9


def _table_minutes(recipe: Recipe, temperature_c: float) -> float:
    rows = sorted((each.temperature_c, each.minutes) for each in recipe.warmth)
    inside = min(max(temperature_c, rows[0][0]), rows[-1][0])
    return log_linear(rows, inside) * factor(temperature_c, inside, recipe.k_per_c)


def allowed(
    recipe: Recipe,
    temperature_c: float,
    field: str,
    reason: str = "",
    kind: FilmKindName | None = None,
) -> float:
    """The temperature itself where a time can be worked out for it: within 18 to 27 °C or what the
    kind of film bears, at the recipe's own, between the rows of its table, or anywhere with a
    reason; else OutOfRange with the range in both scales."""
    if reason.strip() or not outside(recipe, temperature_c, kind):
        return temperature_c
    low, high = _usual(kind)
    in_f = " to ".join(plain(round(fahrenheit(each), 1)) for each in (low, high))
    raise OutOfRange(
        f"Developers behave between {plain(low)} and {plain(high)} °C ({in_f} °F);"
        f" {temperature_text(temperature_c)} is outside, where no time can be trusted. Give the"
        " recipe its maker's table of temperatures, or say why you use it all the same.",
        field=field,
        allowed=[low, high],
    )


def _usual(kind: FilmKindName | None) -> tuple[float, float]:
    row = row_of(kind)
    return row.temperature_c if row else ALLOWED_C


def outside(recipe: Recipe, temperature_c: float, kind: FilmKindName | None = None) -> bool:
    """Whether a temperature lies beyond what is known of this recipe, of the kind of film and of
    developers at all.

    >>> outside(Recipe(), 27), outside(Recipe(), 28), outside(Recipe(temperature_c=38), 38.3)
    (False, True, False)
    """
    low, high = _usual(kind)
    if low <= round(temperature_c, 9) <= high:
        return False
    if abs(temperature_c - recipe.temperature_c) <= OWN_C + 1e-9:
        return False
    return len(recipe.warmth) < 2 or not _reached(recipe, temperature_c)


def refusal(recipe: Recipe, temperature_c: float, kind: FilmKindName | None = None) -> str:
    """Why no time can be trusted at a temperature; nothing when one can.

    >>> refusal(Recipe(), 20), refusal(Recipe(), 28)[:35]
    ('', 'Developers behave between 18 and 27')
    """
    try:
        allowed(recipe, temperature_c, "temperature_c", kind=kind)
    except OutOfRange as problem:
        return problem.message
    return ""


def given(in_c: float | None, in_f: float | None, otherwise_c: float) -> float:
    """The temperature meant, in °C: as said in one scale or the other, else what is usual.

    >>> given(None, 68, 24), given(None, None, 24)
    (20.0, 24)
    """
    if in_f is not None:
        return celsius(in_f)
    return otherwise_c if in_c is None else in_c
