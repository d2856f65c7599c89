"""Films side by side need equal light: one lens, one day, measured shutters (common practice, no
source). What was not alike, or what nobody wrote down, is said beside the result."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.bench.record import FilmTest
from emulsa.core.written import day_words


def unequal(test: FilmTest, reference: FilmTest) -> tuple[str, ...]:
    """What differs between two tests, and what is not known of them."""
    return tuple(_unequal(test, reference))


def _unequal(test: FilmTest, reference: FilmTest) -> Iterator[str]:
    mine, theirs = test.conditions, reference.conditions
    if test.day and reference.day and test.day != reference.day:
        yield f"Another day: {day_words(test.day)}, the reference {day_words(reference.day)}."
    for what, one, other in (
        ("lens", mine.lens, theirs.lens),
        ("light", mine.light, theirs.light),
    ):
        if one and other and _plain(one) != _plain(other):
            yield f"Another {what}: {one}, the reference {other}."
        elif not (one and other):
            whose = test.title if not one else reference.title
            yield f"Was it the same {what}? None is noted for {whose}."
    for each in (test, reference):
        if not each.conditions.shutter_measured:
            yield f"The shutter was not measured for {each.title}."


def _plain(text: str) -> str:
    return " ".join(text.lower().split())
