"""Bare numbers as one writes them: no trailing zeros, or thirds and halves with a real fraction."""

from __future__ import annotations

from functools import lru_cache


def plain(value: float) -> str:
    """A number as one writes it: no trailing zeros, a true minus sign.

    >>> plain(-8.0), plain(0.125)
    ('−8', '0.125')
    """
    return f"{value:.6g}".replace("-", "−")


def typed_text(value: float) -> str:
    """A number as it is typed: with a hyphen for its sign.

    >>> typed_text(-6.0), typed_text(0.5)
    ('-6', '0.5')
    """
    return plain(value).replace("−", "-")


@lru_cache(1024)
def number_text(value: float) -> str:
    """A non-negative number to the nearest third or half, with a real fraction.

    >>> number_text(11 + 1 / 3), number_text(0.5)
    ('11⅓', '½')
    """
    whole, fraction = split(value)
    return f"{whole}{fraction}" if whole or not fraction else fraction


def split(value: float) -> tuple[int, str]:
    """Whole part and fraction sign of the nearest third or half of ``value`` ≥ 0."""
    whole = int(value + 1e-9)
    rest = value - whole
    if rest < 1 / 6:
        return whole, ""
    if rest < 5 / 12:
        return whole, "⅓"
    if rest < 7 / 12:
        return whole, "½"
    return (whole, "⅔") if rest < 5 / 6 else (whole + 1, "")


def counted(count: int, noun: str, plural: str = "") -> str:
    """How many, with the noun in its number.

    >>> counted(1, "negative"), counted(2, "negative"), counted(0, "lens", "lenses")
    ('1 negative', '2 negatives', '0 lenses')
    """
    return f"{count} {noun if count == 1 else plural or noun + 's'}"


def sized(size: float, noun: str) -> str:
    """A size to the third or half with its noun: parts of one stand in the singular.

    >>> sized(2 / 3, "zone"), sized(1, "zone"), sized(4 / 3, "zone"), sized(0.1, "zone")
    ('⅔ zone', '1 zone', '1⅓ zones', '⅓ zone')
    """
    said = number_text(max(1 / 3, size))
    return f"{said} {noun}" if said in ("⅓", "½", "⅔", "1") else f"{said} {noun}s"
