"""From falls to print greys: negative, paper, eye.

A tone that falls on a zone has a net density by development N (a normal negative, or the film's own
curve), that density holds back light from the paper, the paper answers, the eye sees L*. The print
is exposed so that Zone V of this N prints as a grey card. Texture is told by the slope: how much L*
a zone of light is worth there (common practice, no source).
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Unsound
from emulsa.core.limits import Length, Within, Zone
from emulsa.core.rendering.negative import net_density
from emulsa.core.rendering.paper import Paper, lightness, response
from emulsa.core.sensitometry.curve import STOP, Curve, CurveN, Drawn
from emulsa.core.sensitometry.figures import speed_point
from emulsa.core.tones.development_number import PIVOT, TARGET

ZoneShown = Annotated[float, Within("A zone of the print", -2, 14)]
Flare = Annotated[float, Within("The flare", 0, 3, "stops")]
Texture = Literal["none", "some", "full"]
Levels = Annotated[int, Within("Levels of a table", 2, 4096)]

FULL, SOME = 5.0, 1.5  # L* a zone of light must be worth for texture
WINDOW = 0.5
NARROWEST = 0.5
NORMAL_PAPER = Paper()
FIRST, LAST = -1.0, 11.0  # of a table: a zone beyond on either side


@dataclass(frozen=True, kw_only=True, slots=True)
class TypicalFilm:
    """A normal negative."""

    kind: Literal["typical"] = "typical"


TYPICAL_FILM = TypicalFilm()


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveFilm:
    """A film by its own curve; Zone I is its speed point."""

    kind: Literal["curve"]
    curve: Curve


@dataclass(frozen=True, kw_only=True, slots=True)
class TonesRequest:
    """Zones that are asked for, the development, where the shadow was placed, film and paper.

    ``flare`` is another name of ``flare_stops``. With ``levels`` a whole even table is given, from
    a zone under 0 to a zone over X.
    """

    zones: Annotated[tuple[ZoneShown, ...], Length("Zones", 1, 200)]
    n: CurveN = 0
    placed: Zone = PIVOT
    film: TypicalFilm | CurveFilm = TYPICAL_FILM
    paper: Paper = NORMAL_PAPER
    flare_stops: Flare = 0
    flare: Flare | None = None
    levels: Levels | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class ToneAnswer:
    """What a zone becomes."""

    zone: float
    net_density: float
    print_density: float
    reflectance: float
    lightness: float
    texture: Texture


@dataclass(frozen=True, kw_only=True, slots=True)
class TonesAnswer:
    """Every zone, and the table of lightness when it was asked for."""

    zones: tuple[ToneAnswer, ...]
    table: tuple[float, ...]


def tones(request: TonesRequest) -> TonesAnswer:
    """The operation ``tones``."""
    net = negative(request)
    paper = response(request.paper)
    middle = net(5.0)

    def printed(zone: float) -> float:
        return paper(middle - net(zone))

    def light(zone: float) -> float:
        return lightness(10 ** -printed(zone))

    levels = request.levels or 0
    step = (LAST - FIRST) / (levels - 1) if levels else 0.0
    return TonesAnswer(
        zones=tuple(_tone(each, net(each), printed(each), light) for each in request.zones),
        table=tuple(light(FIRST + step * place) for place in range(levels)),
    )


def negative(request: TonesRequest) -> Callable[[float], float]:
    """Net density by the zone a tone falls on."""
    flared = flared_by(request.flare_stops if request.flare is None else request.flare)
    if isinstance(request.film, CurveFilm):
        return _own(request.film.curve, request.n, request.placed, flared)
    developed = carried(request.n, request.placed)
    return lambda zone: net_density(developed(flared(zone)))


def carried(n: float, placed: float) -> Callable[[float], float]:
    """Development as the common rule has it: unchanged up to the placed shadow."""
    span = max(TARGET - placed, 1.0)
    slope = span / max(span - n, NARROWEST)
    return lambda zone: zone if zone <= placed else placed + (zone - placed) * slope


def flared_by(stops: float) -> Callable[[float], float]:
    """Stray light raises the lowest tones: so many stops at Zone 0, nothing from V on."""
    if not stops:
        return lambda zone: zone
    return lambda zone: zone + stops * max(0.0, min(1.0, (5 - zone) / 5)) ** 2


def _own(
    curve: Curve, n: float, placed: float, flared: Callable[[float], float]
) -> Callable[[float], float]:
    drawn = Drawn(curve, "film.curve")
    zone_i = speed_point(drawn, "film.curve")
    developed = carried(n, placed)

    def net(zone: float) -> float:
        x = zone_i + (developed(flared(zone)) - 1) * STOP
        return max(drawn.density(min(max(x, drawn.first), drawn.last)) - curve.base_fog, 0.0)

    if net(5.0) <= 0:
        raise Unsound("This curve has nothing on Zone V.", field="film.curve")
    return net


def textured(worth: float) -> Texture:
    """What is left of texture where a zone of light is worth so much L*.

    >>> textured(5), textured(2), textured(1)
    ('full', 'some', 'none')
    """
    if worth >= FULL:
        return "full"
    return "some" if worth >= SOME else "none"


def _tone(zone: float, net: float, printed: float, light: Callable[[float], float]) -> ToneAnswer:
    reflectance = 10**-printed
    worth = (light(zone + WINDOW) - light(zone - WINDOW)) / (2 * WINDOW)
    return ToneAnswer(
        zone=zone,
        net_density=net,
        print_density=printed,
        reflectance=reflectance,
        lightness=lightness(reflectance),
        texture=textured(worth),
    )
