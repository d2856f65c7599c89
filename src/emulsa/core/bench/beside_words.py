"""A film beside the reference, in words: figures, colours, what the eye says."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.bench.record import FilmTest
from emulsa.core.light.hand_time import minutes_text, time_text
from emulsa.core.numbers import number_text
from emulsa.core.sensitometry.compare import LIKE, NAMED_FROM, OtherAnswer
from emulsa.core.written import month_words, stops_text, stops_words

MORE_FOG = 0.05  # density over the reference's that is worth a word (common practice, no source)
GREY = re.compile(r"gr[ae]y\b", re.I)


@dataclass(frozen=True, kw_only=True, slots=True)
class ColourDot:
    """A colour beside the reference's, in stops of print: positive is lighter."""

    label: str
    stops: float
    text: str
    named: bool


def observed_words(test: FilmTest) -> tuple[tuple[str, str], ...]:
    """What the eye says of a film, row by row; what nobody has looked at is left empty."""
    seen = test.observed
    return (
        ("Grain", seen.grain),
        ("Scratches", seen.scratches),
        ("Flatness in the carrier", seen.flatness),
        ("Edge sharpness", seen.sharpness),
        ("Price per sheet", "" if seen.price is None else f"{seen.price:.2f}"),
        ("Emulsion", emulsion_words(test)),
    )


def emulsion_words(test: FilmTest) -> str:
    """That a test is of one roll or sheet, of which emulsion, and when that expired."""
    own = test.conditions
    expires = f"expires {month_words(own.expires)}" if own.expires else ""
    return ", ".join(filter(None, (own.emulsion, expires)))


def fog_words(test: FilmTest, one: OtherAnswer) -> Iterator[str]:
    """That fog may be the age of this one roll, and not its film's."""
    own = test.conditions
    if one.base_fog_difference < MORE_FOG or not own.expires:
        return
    if test.day and test.day[:7] > own.expires[:7]:
        yield (
            f"It expired in {month_words(own.expires)}: its fog may be its age, and not the film’s."
        )


def grey_words(one: OtherAnswer) -> Iterator[str]:
    """That the greys of a card are no row: exposure or development were not equal."""
    greys = [each for each in dots(one) if GREY.match(each.label)]
    if len(greys) < 2:
        return
    apart = max(each.stops for each in greys) - min(each.stops for each in greys)
    if apart >= NAMED_FROM:
        yield (
            f"The card’s greys are not one row, {stops_words(apart)} from end to end: contrast is"
            " in its colours."
        )


def colour_words(one: OtherAnswer) -> Iterator[str]:
    """The colours that print otherwise, in a sentence; and whether contrast is in it."""
    named = [each for each in dots(one) if each.named]
    if named:
        said = [
            f"{each.label} {each.text[1:]} stop {'lighter' if each.text[0] == '+' else 'darker'}"
            for each in named
        ]
        yield f"Beside the reference it prints {'; '.join(said)}."
    ratio = one.gradient_ratio
    if named and ratio is not None and abs(ratio - 1) > LIKE:
        steep = "steeper" if ratio > 1 else "flatter"
        yield f"It is {steep}, too: a difference of contrast is in its colours."


def speed_words(one: OtherAnswer) -> str:
    thirds = round(3 * abs(one.speed_stops))
    size = f"{number_text(thirds / 3)} stop{'s' if thirds > 3 else ''}"
    return "alike" if thirds == 0 else f"{size} {'faster' if one.speed_stops > 0 else 'slower'}"


def rows_of(one: OtherAnswer) -> Iterator[tuple[str, str]]:
    yield "Speed at equal shadows", speed_words(one)
    if one.frame is not None:
        left = one.frame.residual_stops
        off = "" if abs(left) < 1 / 12 else f", {stops_text(left)} left over"
        yield "Frame of the bracket to print", f"{stops_text(one.frame.offset)}{off}"
    for what, ratio in (
        ("Shadow separation", one.separation_ratio.shadows),
        ("Middle tones", one.separation_ratio.mids),
        ("High tones", one.separation_ratio.highlights),
        ("Gradient", one.gradient_ratio),
    ):
        if ratio is not None:
            yield what, f"{ratio:.2f} of it"
    if one.bumpiness_ratio is not None:
        yield "Straightness", straight_words(one.bumpiness_ratio)
    fog = one.base_fog_difference
    sign = "−" if fog < 0 else "+"
    yield "Base plus fog", f"{sign}{abs(fog):.2f}, print ×{one.print_time_factor:.2f}"
    if one.print_s is not None:
        yield "Print time", time_text(one.print_s)
    if one.minutes_to_match is not None:
        beyond = ", beyond its data" if one.extrapolated else ""
        yield "As steep as it at", f"{minutes_text(one.minutes_to_match)}{beyond}"


def straight_words(ratio: float) -> str:
    """Wander about its own line, beside the reference's."""
    if abs(ratio - 1) < 0.1:
        return "alike"
    return f"wanders ×{ratio:.1f}" if ratio > 1 else f"straighter, ×{ratio:.1f}"


def dots(one: OtherAnswer) -> Iterator[ColourDot]:
    for each in one.patches:
        if each.lighter_stops is not None:
            named = abs(each.lighter_stops) >= NAMED_FROM - 1e-9
            thirds = number_text(max(1, round(3 * abs(each.lighter_stops))) / 3)
            text = f"{'+' if each.lighter_stops > 0 else '−'}{thirds}" if named else ""
            yield ColourDot(label=each.label, stops=each.lighter_stops, text=text, named=named)
