"""What is to be thought of a picture's readings: clipped, mixed, apart, too few."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations

from emulsa.core.advice import Advice
from emulsa.core.picture.area import stops
from emulsa.core.picture.calibrated import PointAnswer, SettingsCheck
from emulsa.core.picture.places import ALMOST, Place
from emulsa.core.tones.zones import ev_text
from emulsa.core.written import stops_words

MIXED, NEAR, LIGHTENED, ALIKE = 1 / 3, 0.5, 1.0, 2.0  # stops


def advice(
    used: Sequence[Place],
    points: Sequence[PointAnswer],
    check: SettingsCheck | None,
    guessed: bool,
) -> Iterator[Advice]:
    """What is to be thought of, reading by reading, then of all together."""
    for each in points:
        yield from _of_point(each)
    yield from _lightened(used)
    if check is not None and not check.agrees:
        yield _caution(
            "settings-disagree",
            f"Its settings say {stops_words(abs(check.difference_stops))}"
            f" {'less' if check.difference_stops > 0 else 'more'} light than the readings.",
        )
    yield from _few(used, guessed)


def _of_point(each: PointAnswer) -> Iterator[Advice]:
    if not each.used:
        yield _caution("point-clipped", f"{each.id} is clipped and does not count.")
    if each.patch_off_stops is not None and abs(each.patch_off_stops) > MIXED:
        off = stops_words(abs(each.patch_off_stops))
        way = "darker" if each.patch_off_stops > 0 else "lighter"
        yield _caution("spot-mixed", f"The meter saw more than {each.id}, which is {off} {way}.")
    if each.disagrees and each.without_it is not None:
        yield _caution(
            "readings-disagree",
            f"{each.id} would be EV {ev_text(each.without_it.ev100)} by the other readings.",
        )


def _lightened(used: Sequence[Place]) -> Iterator[Advice]:
    for one, other in combinations(used, 2):
        near = abs(stops(one.seen.light) - stops(other.seen.light)) <= NEAR + ALMOST
        if near and abs(one.point.ev100 - other.point.ev100) >= LIGHTENED - ALMOST:
            apart = stops_words(abs(one.point.ev100 - other.point.ev100))
            yield _caution(
                "brightened-in-parts",
                f"{one.point.id} and {other.point.id} look alike and read {apart} apart: a picture"
                " lightened in parts is not one curve.",
            )


def _few(used: Sequence[Place], guessed: bool) -> Iterator[Advice]:
    if not used:
        yield _note(
            "settings-only", "By its settings alone: half a stop either way. Take a reading."
        )
    if len(used) == 1:
        yield _note(
            "one-reading", "One reading: its place is right, the picture’s contrast assumed."
        )
    if guessed and len(used) > 1:
        yield _note(
            "few-readings", "The curve is mostly assumed: four readings over three stops show it."
        )
    read = [stops(each.seen.light) for each in used]
    if len(read) > 1 and max(read) - min(read) < ALIKE - ALMOST:
        yield _note(
            "readings-alike", "The readings lie close together: take one darker or lighter."
        )


def _caution(code: str, text: str) -> Advice:
    return Advice(code=code, severity="caution", text=text)


def _note(code: str, text: str) -> Advice:
    return Advice(code=code, severity="note", text=text)
