"""The developing time of one negative: recipe, N, how it was exposed, and how it is developed.

The planned N decides the development. How far the exposure was off is reported with what it does
in the print, and another development offered (``offer``); only who asks for it has the high value
held, ``N_eff = N − error``. Every factor is a row of the ledger and counts once. What the
photographer decides over it stands last, with the reason.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace

from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import n_words, row_of
from emulsa.core.data.development import FREE_ERROR_STOPS, ROTARY, SHORT_MIN, TOO_SHORT_MIN
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.degrees import celsius
from emulsa.core.development import ratings, temperature
from emulsa.core.development.offer import Offer, offered
from emulsa.core.development.recipes import (
    TRUST,
    Origin,
    Timed,
    beside,
    time_for,
)
from emulsa.core.development.thumb import zones_off
from emulsa.core.development.time_answer import (
    DevelopmentAnswer,
    DevelopmentRequest,
    OtherTime,
    TimeRow,
)
from emulsa.core.development.zones_text import zones_text
from emulsa.core.errors import Impossible
from emulsa.core.light.hand_time import clock_text, hand_minutes, minutes_text
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import meant, n_text
from emulsa.core.written import size_words, temperature_text


def development(request: DevelopmentRequest) -> DevelopmentAnswer:
    """The operation ``development``; Impossible for what is not recommended, without a reason."""
    recipe, at_c = request.recipe, _temperature_c(request)
    if recipe.not_recommended and not request.reason.strip():
        raise Impossible(
            f"Not recommended ({recipe.not_recommended}): choose another recipe, or say why you"
            " use it all the same.",
            field="reason",
        )
    timed = time_for(recipe, request.n)
    rows = _rows(timed.minutes, _steps(request, timed, at_c))
    computed = rows[-1].minutes
    off = 0.0
    if request.own_minutes is not None:
        off = zones_off(request.own_minutes, computed)
        rows.append(_own(request.own_minutes, computed, request.reason))
    minutes = rows[-1].minutes
    return DevelopmentAnswer(
        minutes=minutes,
        minutes_text=minutes_text(minutes),
        clock_minutes=hand_minutes(minutes),
        clock_text=clock_text(minutes),
        temperature_c=at_c,
        ei=timed.ei if timed.ei is not None else request.ei,
        origin=_origin(request, timed, at_c),
        who=timed.who,
        ledger=tuple(rows),
        beside=tuple(
            OtherTime(
                origin=each.origin,
                minutes=each.minutes * computed / timed.minutes,
                minutes_text=minutes_text(each.minutes * computed / timed.minutes),
                who=each.who,
            )
            for each in beside(recipe, request.n)
        ),
        off_zones=off,
        off_text=zones_text(off),
        offer=_offer(request, timed, at_c, computed),
        advice=tuple(_advice(request, minutes, timed, at_c)),
    )


def _temperature_c(request: DevelopmentRequest) -> float:
    recipe, reason, kind = request.recipe, request.reason, request.film_kind
    if request.temperature_f is not None:
        at_c = celsius(request.temperature_f)
        return temperature.allowed(recipe, at_c, "temperature_f", reason, kind)
    if request.temperature_c is not None:
        return temperature.allowed(recipe, request.temperature_c, "temperature_c", reason, kind)
    return recipe.temperature_c


def _offer(request: DevelopmentRequest, timed: Timed, at_c: float, computed: float) -> Offer | None:
    """Another development for the exposure's error, from a sixth of a stop on; none where it is
    developed for already, or where the photographer's own minutes stand over everything."""
    if (
        request.error == "hold_highlights"
        or request.own_minutes is not None
        or abs(request.error_stops) < FREE_ERROR_STOPS - 1e-9
    ):
        return None
    holding = replace(request, error="hold_highlights")
    rows = _rows(timed.minutes, _steps(holding, timed, at_c))
    origin = _origin(holding, timed, at_c)
    return offered(request.n, request.error_stops, rows[-1].minutes, computed, origin)


@dataclass(frozen=True, slots=True)
class _Step:
    step: str
    label: str
    factor: float
    why: str
    source: str = "practice"


def _steps(request: DevelopmentRequest, timed: Timed, at_c: float) -> Iterator[_Step]:
    recipe = request.recipe
    said = f"{timed.origin}{f' by {timed.who}' if timed.who else ''}"
    at = f"at {temperature_text(recipe.temperature_c)}"
    yield _Step("recipe", n_words(request.n, request.film_kind), 1.0, f"{said}, {at}", "todd-zakia")
    if request.rated_ei is not None and request.ei is not None:
        rated, why = ratings.factor(recipe, timed, request.rated_ei, request.ei)
        if why and _pushed(request, timed):
            yield _Step("rating", f"Rated {plain(request.rated_ei)}", rated, why)
    if _held(request):
        yield _exposure(request, timed)
    if request.reciprocity_change != 1:
        change = request.reciprocity_change
        why = f"×{change:.2f} by the film's table"
        yield _Step("reciprocity", "Long exposure", change, why, "schwarzschild-1900")
    if request.rotary:
        yield _Step("agitation", "Rotary", ROTARY, f"continuous agitation, ×{ROTARY}")
    if request.age_change != 1:
        why = f"×{request.age_change:.2f}, as you say of its bottle"
        yield _Step("age", "Developer's age", request.age_change, why)
    warmth, why = temperature.of_recipe(recipe, at_c)
    if abs(at_c - recipe.temperature_c) > 1e-9:
        label = temperature_text(at_c)
        yield _Step("temperature", label, warmth, f"×{warmth:.2f}, {why}", "todd-zakia")


def _held(request: DevelopmentRequest) -> bool:
    """Whether the exposure's error is developed for."""
    return request.error == "hold_highlights" and abs(request.error_stops) >= FREE_ERROR_STOPS


def _pushed(request: DevelopmentRequest, timed: Timed) -> bool:
    """Whether its rating is a push or a pull; any other reason leaves the development alone."""
    if request.rated_ei is None or request.ei is None:
        return False
    stops = ratings.push_stops(request.rated_ei, request.ei, timed.ei)
    return stops != 0 and ratings.is_push(request.rating_reason, stops)


def _origin(request: DevelopmentRequest, timed: Timed, at_c: float) -> Origin:
    """How sure the whole time is: no more than the least sure of what it was made from."""
    recipe, rated, own = request.recipe, request.rated_ei, request.ei
    pushed = rated is not None and own is not None and _pushed(request, timed)
    if pushed and not ratings.sure(recipe, timed, rated or 0, own or 0):
        return "estimated"
    beyond = temperature.outside(recipe, at_c, request.film_kind)
    if not temperature.sure(recipe, at_c) or beyond:
        return "estimated"
    if _held(request):
        as_exposed = time_for(recipe, meant(request.n, request.error_stops)).origin
        return max(timed.origin, as_exposed, key=TRUST.index)
    return timed.origin


def _exposure(request: DevelopmentRequest, timed: Timed) -> _Step:
    error, n = request.error_stops, meant(request.n, request.error_stops)
    change = time_for(request.recipe, n).minutes / timed.minutes
    words = f"{size_words(error)} {'over' if error > 0 else 'under'}"
    why = f"the high value fell {'higher' if error > 0 else 'lower'}; as for {n_text(round(n, 1))}"
    return _Step("exposure", f"Exposed {words}", change, why, "stroebel-materials")


def _rows(minutes: float, steps: Iterable[_Step]) -> list[TimeRow]:
    rows = []
    for each in steps:
        minutes *= each.factor
        rows.append(
            TimeRow(
                step=each.step,
                label=each.label,
                factor=each.factor,
                factor_text="" if each.factor == 1 else f"×{each.factor:.2f}",
                minutes=minutes,
                minutes_text=minutes_text(minutes),
                why=each.why,
                source=each.source,
            )
        )
    return rows


def _own(minutes: float, computed: float, reason: str) -> TimeRow:
    row = _rows(computed, iter([_Step("own", "Your own", minutes / computed, reason)]))[0]
    return replace(row, minutes=minutes, minutes_text=minutes_text(minutes))


def short_time(minutes: float, kind: FilmKindName | None = None) -> Iterator[Advice]:
    """What is said of a development too short to be even: common practice, no source."""
    row = row_of(kind)
    short, too_short = row.minutes if row else (SHORT_MIN, TOO_SHORT_MIN)
    mend = "dilute more or cool the bath" if row is None or row.n else "its process may differ"
    if minutes < too_short - 1e-9:
        under = minutes_words(too_short)
        text = f"Under {under} development is very likely uneven: {mend}."
        yield Advice(code="time-much-too-short", severity="warning", text=text)
    elif minutes < short - 1e-9:
        text = f"Under {minutes_words(short)} development may be uneven: {mend}."
        yield Advice(code="time-short", severity="caution", text=text)


def minutes_words(minutes: float) -> str:
    """Minutes in a sentence: ``4 minutes``, ``1 minute``, ``1.5 minutes``."""
    return f"{plain(minutes)} minute{'' if minutes == 1 else 's'}"


def _advice(
    request: DevelopmentRequest, minutes: float, timed: Timed, at_c: float
) -> Iterator[Advice]:
    if not request.in_tray:
        yield from short_time(minutes, request.film_kind)
    yield from _why_rated(request, timed)
    if temperature.outside(request.recipe, at_c, request.film_kind):
        text = (
            f"{temperature_text(at_c)} lies outside where developers are known to behave: the time"
            f" is an estimate ({request.reason.strip()})."
        )
        yield Advice(code="temperature-outside", severity="caution", text=text)
    if timed.origin == "estimated":
        text = (
            f"The time for {n_text(request.n)} is estimated by rule of thumb;"
            " test it on a sheet that matters less."
        )
        yield Advice(code="time-estimated", severity="note", text=text)


def _why_rated(request: DevelopmentRequest, timed: Timed) -> Iterator[Advice]:
    """Asked once: a lower index is no pull until somebody says so."""
    if request.rated_ei is None or request.ei is None or request.rating_reason is not None:
        return
    if ratings.push_stops(request.rated_ei, request.ei, timed.ei) < 0:
        text = (
            f"Rated EI {plain(request.rated_ei)}, below the film's own {plain(request.ei)}: for a"
            " filter, for safety, as your own index, or pulled? Only a pull develops less."
        )
        yield Advice(code="rating-reason", severity="note", text=text)
