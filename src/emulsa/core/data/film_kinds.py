"""Kinds of film: what each sees, bears and needs.

All typical, common practice from memory, no source; a film's own values always win. Filters by
their usual factors in daylight and in tungsten light, none where next to nothing of their light
reaches the film. Minutes: under the first one is cautioned, under the second warned.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

FilmKindName = Literal[
    "panchromatic",
    "orthochromatic",
    "blue_sensitive",
    "infrared",
    "paper_negative",
    "reversal",
    "colour_negative",
]
PlacedBy = Literal["shadow", "midtone", "highlight"]
Factors = tuple[float, float]  # daylight, tungsten


@dataclass(frozen=True, slots=True)
class FilmKindRow:
    """A kind as it usually is; ``law`` the exponent, from which second, tested until."""

    name: str
    n: bool
    n_range: tuple[float, float]
    place: PlacedBy
    texture_stops: float
    textural_range: tuple[float, float]
    warm_light_stops: float
    push_stops: tuple[float, float]
    filters: dict[str, Factors | None]
    minutes: tuple[float, float]
    temperature_c: tuple[float, float]
    usual_c: float
    law: tuple[float, float, float]
    dark: str
    note: str


PANCHROMATIC: dict[str, Factors | None] = {
    "light yellow": (1.5, 1.2),
    "yellow": (2.0, 1.5),
    "medium yellow": (2.0, 1.5),
    "yellow-green": (2.5, 2.5),
    "light green": (3.0, 3.0),
    "green": (4.0, 4.0),
    "orange": (4.0, 2.5),
    "light red": (6.0, 4.0),
    "red": (8.0, 5.0),
    "deep red": (16.0, 8.0),
    "blue": (6.0, 12.0),
    "polariser": (3.0, 3.0),
}
# colour films see what panchromatic ones do; what tints them is said in their notes
FOR_COLOUR: dict[str, Factors | None] = PANCHROMATIC | {
    "warming": (1.25, 1.25),
    "tungsten to daylight film": (4.0, 4.0),
    "daylight to tungsten film": (1.6, 1.6),
}

KINDS: dict[FilmKindName, FilmKindRow] = {
    "panchromatic": FilmKindRow(
        name="panchromatic",
        n=True,
        n_range=(-3.0, 3.0),
        place="shadow",
        texture_stops=7.0,
        textural_range=(2.0, 8.0),
        warm_light_stops=0.0,
        push_stops=(-2.0, 3.0),
        filters=PANCHROMATIC,
        minutes=(5.0, 4.0),
        temperature_c=(18.0, 27.0),
        usual_c=20.0,
        law=(1.3, 1.0, 100.0),
        dark=(
            "Total darkness; a very dim green light only after half the development, if the "
            "maker allows it."
        ),
        note="Sees all colours, blue and red a little more than the eye.",
    ),
    "orthochromatic": FilmKindRow(
        name="orthochromatic",
        n=True,
        n_range=(-2.0, 3.0),
        place="shadow",
        texture_stops=6.0,
        textural_range=(2.0, 8.0),
        warm_light_stops=1.0,
        push_stops=(-1.0, 2.0),
        filters={
            "light yellow": (2.0, 1.5),
            "yellow": (2.5, 2.0),
            "medium yellow": (3.0, 2.5),
            "yellow-green": (3.0, 2.5),
            "light green": (3.0, 2.5),
            "green": (5.0, 4.0),
            "orange": None,
            "light red": None,
            "red": None,
            "deep red": None,
            "blue": (4.0, 6.0),
            "polariser": (3.0, 3.0),
        },
        minutes=(4.0, 3.0),
        temperature_c=(18.0, 27.0),
        usual_c=20.0,
        law=(1.3, 1.0, 100.0),
        dark="Deep red safelight, tested first; no orange or amber.",
        note="Blind to red: lips, brick and rust come out dark, blue sky light.",
    ),
    "blue_sensitive": FilmKindRow(
        name="blue-sensitive",
        n=True,
        n_range=(-2.0, 3.0),
        place="shadow",
        texture_stops=5.0,
        textural_range=(2.5, 7.5),
        warm_light_stops=2.0,
        push_stops=(-1.0, 1.0),
        filters={
            "light yellow": (4.0, 4.0),
            "yellow": None,
            "medium yellow": None,
            "yellow-green": None,
            "light green": None,
            "green": None,
            "orange": None,
            "light red": None,
            "red": None,
            "deep red": None,
            "blue": (2.0, 2.5),
            "polariser": (3.0, 3.0),
        },
        minutes=(3.0, 2.0),
        temperature_c=(18.0, 27.0),
        usual_c=20.0,
        law=(1.35, 1.0, 100.0),
        dark="Red or amber safelight, tested first.",
        note="Sees blue and ultraviolet alone: skies white, haze thick, reds and greens dark.",
    ),
    "infrared": FilmKindRow(
        name="infrared",
        n=True,
        n_range=(-2.0, 2.0),
        place="midtone",
        texture_stops=5.0,
        textural_range=(2.5, 7.5),
        warm_light_stops=0.0,
        push_stops=(-1.0, 1.0),
        filters={
            "light yellow": (1.5, 1.2),
            "yellow": (2.0, 1.5),
            "medium yellow": (2.0, 1.5),
            "yellow-green": None,
            "light green": None,
            "green": None,
            "orange": (4.0, 2.5),
            "light red": (6.0, 4.0),
            "red": (8.0, 4.0),
            "deep red": (16.0, 6.0),
            "blue": None,
            "polariser": (3.0, 3.0),
            "infrared": (16.0, 8.0),
        },
        minutes=(5.0, 4.0),
        temperature_c=(18.0, 27.0),
        usual_c=20.0,
        law=(1.35, 1.0, 100.0),
        dark="Total darkness, loading too; plastic holders and bellows may let infrared through.",
        note=(
            "A meter does not see it: bracket by a stop and more. With an infrared filter "
            "focus a little nearer: draw about 1/300 to 1/200 of the focal length more, or by "
            "trial."
        ),
    ),
    "paper_negative": FilmKindRow(
        name="paper negative",
        n=True,
        n_range=(-1.0, 0.0),
        place="shadow",
        texture_stops=4.5,
        textural_range=(3.0, 7.5),
        warm_light_stops=2.0,
        push_stops=(0.0, 0.0),
        filters={
            "light yellow": (2.5, 2.5),
            "yellow": (4.0, 4.0),
            "medium yellow": (5.0, 5.0),
            "yellow-green": (4.0, 4.0),
            "light green": (4.0, 4.0),
            "green": (5.0, 5.0),
            "orange": None,
            "light red": None,
            "red": None,
            "deep red": None,
            "blue": (2.0, 2.5),
            "polariser": (3.0, 3.0),
        },
        minutes=(1.5, 1.0),
        temperature_c=(18.0, 27.0),
        usual_c=20.0,
        law=(1.3, 1.0, 60.0),
        dark="The paper's own safelight, red or amber.",
        note=(
            "EI about 6 in daylight, 3 under heavy cloud, 1.5 in warm light. Yellow softens "
            "variable-contrast paper only; pre-exposure softens every paper."
        ),
    ),
    "reversal": FilmKindRow(
        name="reversal",
        n=False,
        n_range=(0.0, 0.0),
        place="highlight",
        texture_stops=5.0,
        textural_range=(2.5, 7.5),
        warm_light_stops=0.0,
        push_stops=(-0.5, 2.0),
        filters=FOR_COLOUR,
        minutes=(3.0, 2.0),
        temperature_c=(18.0, 43.0),
        usual_c=38.0,
        law=(1.2, 4.0, 64.0),
        dark="Total darkness.",
        note=(
            "Place the highlight; what is brighter is clear film. Long times turn the colour: "
            "by the maker's table. Colour filters tint the whole picture."
        ),
    ),
    "colour_negative": FilmKindRow(
        name="colour negative",
        n=False,
        n_range=(0.0, 0.0),
        place="shadow",
        texture_stops=7.0,
        textural_range=(2.0, 9.0),
        warm_light_stops=1.0,
        push_stops=(0.0, 2.0),
        filters=FOR_COLOUR,
        minutes=(3.0, 2.0),
        temperature_c=(18.0, 43.0),
        usual_c=38.0,
        law=(1.2, 1.0, 100.0),
        dark="Total darkness.",
        note=(
            "Expose for the shadows, a stop over does no harm. Long times and warm light "
            "shift the layers apart: corrected in printing. Colour filters tint the whole "
            "picture."
        ),
    ),
}
