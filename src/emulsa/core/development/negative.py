"""The one developing time: what a negative asks of its recipe, each cause once.

Scene, film, darkroom, runs, the evening, papers and tables all ask here, so that the same piece of
film has the same minutes everywhere. What N was planned and how far the exposure was off are kept
apart; the error is reported, and developed for only where somebody asked for that.
"""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import has_n
from emulsa.core.data.agitation import IN_TRAYS
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.choice import Choice
from emulsa.core.development.ratings import RatingReason
from emulsa.core.development.recipes import Recipe
from emulsa.core.development.time import development
from emulsa.core.development.time_answer import DevelopmentAnswer, DevelopmentRequest


@dataclass(frozen=True, kw_only=True, slots=True)
class Negative:
    """What a piece of film brings to its development.

    ``n`` is the N that was planned; ``error_stops`` how far its exposure was off (+ over);
    ``rated_ei`` what it was shot at, if that is known, and ``rating_reason`` why;
    ``reciprocity_change`` what the film's long time asks; ``hold_highlights`` whether its
    photographer always develops for the error; ``choice`` what was decided over all of it.
    """

    n: float = 0.0
    error_stops: float = 0.0
    rated_ei: float | None = None
    rating_reason: RatingReason | None = None
    hold_highlights: bool = False
    reciprocity_change: float = 1.0
    choice: Choice = Choice()


@dataclass(frozen=True, kw_only=True, slots=True)
class Tankful:
    """What it is developed in: the bath's temperature (empty: the recipe's own), what is added for
    an old developer, whether the tank never stands still, and whether it is an open tray."""

    temperature_c: float | None = None
    age_change: float = 1.0
    rotary: bool = False
    in_tray: bool = False


def developing_time(
    negative: Negative,
    own_ei: float,
    recipe: Recipe,
    tankful: Tankful = Tankful(),
    kind: FilmKindName | None = None,
) -> DevelopmentAnswer:
    """Minutes for a negative of a film with this EI of its own; the errors of ``development``. Film
    of a kind without N is developed as its process says, whatever was planned.

    >>> from emulsa.core.development.recipes import Point
    >>> recipe = Recipe(points=(Point(n=-2, minutes=5.5), Point(n=-1, minutes=6.5)))
    >>> over = Negative(n=-1, error_stops=1)
    >>> developing_time(over, 100, recipe).minutes_text
    '6 min 30 s'
    >>> chosen = Choice(hold_highlights=True)
    >>> developing_time(Negative(n=-1, error_stops=1, choice=chosen), 100, recipe).minutes_text
    '5 min 30 s'
    >>> developing_time(Negative(n=-2, choice=Choice(plain_n=True)), 100, recipe).origin
    'estimated'
    """
    plain_n = negative.choice.plain_n or not has_n(kind)
    return development(
        DevelopmentRequest(
            recipe=recipe,
            n=0.0 if plain_n else negative.n,
            temperature_c=tankful.temperature_c,
            ei=own_ei,
            rated_ei=negative.rated_ei,
            rating_reason=negative.rating_reason,
            error_stops=0.0 if plain_n else negative.error_stops,
            error="hold_highlights" if held(negative) and not plain_n else "report",
            reciprocity_change=1.0 if plain_n else negative.reciprocity_change,
            rotary=tankful.rotary,
            in_tray=tankful.in_tray or recipe.scheme in IN_TRAYS,
            age_change=tankful.age_change,
            own_minutes=negative.choice.minutes,
            reason=negative.choice.reason,
            film_kind=kind,
        )
    )


def held(negative: Negative) -> bool:
    """Whether the high values of a negative are held: by its own choice, or its photographer's
    way."""
    return negative.choice.hold_highlights or negative.hold_highlights
