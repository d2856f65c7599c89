"""What judged negatives say of a film and a recipe: how slow it is, how high its lights come.

Two unknowns, weighed together by Bayes' rule on a grid: a slow film lowers its high values too.
How sure an eye is, and how far films usually are from their boxes, is common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from emulsa.core.numbers import counted, plain, sized
from emulsa.core.sensitometry.belief import (
    HIGHLIGHTS,
    SHADOWS,
    Weighed,
    belief,
    lights_given,
    moments,
)
from emulsa.core.sensitometry.learned import (
    LearnAnswer,
    LearnedDevelopment,
    LearnedMinutes,
    LearnedSpeed,
    LearnRequest,
    MeasuredAt,
    MinutesPoint,
    Seen,
)
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.straight import straight

ONE_STEP_STOPS, ONE_STEP_ZONES = 2 / 3, 1.0  # what a word of an open end moves at most
FURTHEST = 3.0  # stops: exposed further off than this, a negative says nothing of its film
ENOUGH_STOPS, ENOUGH_ZONES, ENOUGH_NEGATIVES = 1 / 3, 1 / 4, 2
WORTH_SAYING_ZONES = 1 / 6
NEAR = 1e-9
OPEN_FASTER = ("heavy", "at_least_full")


def learn(request: LearnRequest) -> LearnAnswer:
    """The film's own speed and the development's own height, each with how sure it is."""
    prior = request.ei if request.prior_ei is None else request.prior_ei
    moved = [against(each, prior, request.reference_net) for each in request.negatives]
    weighed = [each for each in moved if abs(each.light) <= FURTHEST + NEAR]
    of_s, of_d = belief(weighed)
    s_mean, s_sd, c_mean, c_sd = moments(of_s, of_d)
    speed = _speed(weighed, s_mean, math.log2(prior / request.ei))
    c_mean_given = lights_given(of_d, speed.offered) if speed.capped else c_mean
    points = sorted(
        request.minutes_per_n if request.prior_minutes is None else request.prior_minutes,
        key=lambda each: each.n,
    )
    in_use_c = _zones_in_use(request, points)
    lights = _lights(weighed, c_mean_given, in_use_c, speed.offered)
    at_ei = request.ei if speed.offered == speed.in_use else rounded(prior * 2**-speed.offered)
    known = points if len(points) > 1 else ()
    s_enough = speed.enough(s_sd, ENOUGH_STOPS)
    c_enough = lights.enough(c_sd, ENOUGH_ZONES)
    return LearnAnswer(
        speed=LearnedSpeed(
            mean=s_mean,
            sd=s_sd,
            negatives=speed.negatives,
            enough=s_enough,
            capped=speed.capped,
            ei=at_ei,
            sentence=_speed_sentence(speed, s_enough, at_ei, request.ei),
        ),
        development=LearnedDevelopment(
            mean=c_mean,
            sd=c_sd,
            negatives=lights.negatives,
            enough=c_enough,
            capped=lights.capped,
            minutes=tuple(_minutes(points, each.n, lights.offered, c_sd) for each in known),
            sentence=_minutes_sentence(lights, c_enough),
        ),
        left_out=tuple(each.id for each in moved if abs(each.light) > FURTHEST + NEAR),
    )


def against(each: Seen, prior: float, reference: Sequence[MeasuredAt]) -> Weighed:
    """A negative set against the film's and the recipe's own word."""
    rated = 0.0 if each.ei is None else math.log2(prior / each.ei)
    return Weighed(
        id=each.id,
        light=each.given_error_stops + rated,
        rated=rated,
        developed=each.developed_error_zones,
        shadow=each.shadow,
        highlight=each.highlight,
        shadow_off=_off(each.shadow_error_stops, each.shadow_net, reference),
        highlight_off=_off(each.highlight_error_zones, each.highlight_net, reference),
    )


def _off(
    said: float | None, net: MeasuredAt | None, reference: Sequence[MeasuredAt]
) -> float | None:
    """How far a tone is off: as said, or the zone read off at its density less where it lies."""
    if net is None:
        return said
    read = straight([(density, zone) for zone, density in reference], net[1])
    return min(max(read - net[0], -FURTHEST), FURTHEST)


@dataclass(frozen=True, slots=True)
class _Offer:
    """What is offered (o) against what is in use (u): o is u where no negative speaks for the side
    the mean lies on."""

    negatives: int
    in_use: float
    offered: float
    capped: bool
    speaks: bool

    def enough(self, sd: float, least: float) -> bool:
        """Whether it may be taken over: evidence on its side, two negatives, surer than chance."""
        off = abs(self.offered - self.in_use)
        many = self.negatives >= ENOUGH_NEGATIVES
        return self.speaks and many and off > sd and off >= least - NEAR


def _offer(
    negatives: int,
    mean: float,
    in_use: float,
    bounds: tuple[Sequence[float], Sequence[float]],
    cap: tuple[float | None, float | None],
) -> _Offer:
    """``bounds`` are what single negatives hold by their word alone: at least, at most. ``cap`` is
    the furthest up and down that words of an open end reach; empty where they bind nothing."""
    up = mean > in_use
    at_least, at_most = bounds
    speaks = (
        any(each >= in_use - NEAR for each in at_least)
        if up
        else any(each <= in_use + NEAR for each in at_most)
    )
    if not speaks:
        return _Offer(negatives, in_use, in_use, False, False)
    offered = mean
    highest, lowest = cap
    if highest is not None:
        offered = min(offered, max(highest, min(mean, in_use)))
    if lowest is not None:
        offered = max(offered, min(lowest, max(mean, in_use)))
    return _Offer(negatives, in_use, offered, abs(offered - mean) > NEAR, True)


def _speed(weighed: Sequence[Weighed], mean: float, in_use: float) -> _Offer:
    seen = [each for each in weighed if each.shadow is not None or each.shadow_off is not None]
    measured = [each.light - each.shadow_off for each in seen if each.shadow_off is not None]
    words = [(each.light, each.shadow) for each in seen if each.shadow_off is None]
    at_least = [light - SHADOWS[word][1] for light, word in words if word in ("none", "thin")]
    at_most = [light - SHADOWS[word][0] for light, word in words if word in ("full", *OPEN_FASTER)]
    cap: tuple[float | None, float | None] = (None, None)
    if words and not measured:
        rated = [each.rated for each in seen]
        if all(word == "none" for _, word in words):
            cap = (max(rated) + ONE_STEP_STOPS, None)
        elif all(word in OPEN_FASTER for _, word in words):
            cap = (None, min(rated) - ONE_STEP_STOPS)
    return _offer(len(seen), mean, in_use, ([*measured, *at_least], [*measured, *at_most]), cap)


def _lights(weighed: Sequence[Weighed], mean: float, in_use: float, speed: float) -> _Offer:
    """The same of the high values, with the speed that is offered."""
    seen = [
        each for each in weighed if each.highlight is not None or each.highlight_off is not None
    ]
    at_least: list[float] = []
    at_most: list[float] = []
    words = [each for each in seen if each.highlight_off is None]
    for each in seen:
        without = speed - each.light - each.developed
        if each.highlight_off is not None:
            low = high = each.highlight_off
        else:
            assert each.highlight is not None
            low, high = HIGHLIGHTS[each.highlight]
        at_least.append(low + without)
        at_most.append(high + without)
    cap: tuple[float | None, float | None] = (None, None)
    if words and len(words) == len(seen):
        undone = [-each.developed for each in seen]
        if all(each.highlight == "blocked" for each in words):
            cap = (max(undone) + ONE_STEP_ZONES, None)
        elif all(each.highlight == "flat" for each in words):
            cap = (None, min(undone) - ONE_STEP_ZONES)
    return _offer(len(seen), mean, in_use, (at_least, at_most), cap)


def _zones_in_use(request: LearnRequest, prior: Sequence[MinutesPoint]) -> float:
    """u_c = n₀ − N′: by how many zones the minutes in use stand under the prior's.

    n₀ is the N nearest to normal that is in use, N′ the N whose prior minutes those are."""
    logs = [(math.log(each.minutes), each.n) for each in prior]
    rising = all(b[0] > a[0] for a, b in pairwise(logs))
    if request.prior_minutes is None or len(prior) < 2 or not rising or not request.minutes_per_n:
        return 0.0
    if {(each.n, each.minutes) for each in request.minutes_per_n} == {
        (each.n, each.minutes) for each in prior
    }:
        return 0.0
    used = min(request.minutes_per_n, key=lambda each: (abs(each.n), each.n))
    return used.n - straight(logs, math.log(used.minutes)) + 0.0


def _minutes(points: Sequence[MinutesPoint], n: float, off: float, sd: float) -> LearnedMinutes:
    return LearnedMinutes(
        n=n,
        minutes=minutes_at(points, n - off),
        low=minutes_at(points, n - off - sd),
        high=minutes_at(points, n - off + sd),
    )


def minutes_at(points: Sequence[MinutesPoint], n: float) -> float:
    """Minutes of an N, straight in their logarithm."""
    return math.exp(straight([(each.n, math.log(each.minutes)) for each in points], n))


def _speed_sentence(speed: _Offer, enough: bool, ei: float, own: float) -> str:
    if not speed.negatives:
        return "No judged shadow yet."
    said = counted(speed.negatives, "negative")
    if enough:
        end = "" if not speed.capped else f" or {'less' if ei < own else 'more'}"
        return f"{said} say EI {plain(ei)}{end}."
    if abs(math.log2(ei / own)) < NEAR:
        return f"{said}: nothing speaks against EI {plain(own)}."
    return f"{said} speak{'s' * (speed.negatives == 1)} for EI {plain(ei)}; not enough yet."


def _minutes_sentence(lights: _Offer, enough: bool) -> str:
    if not lights.negatives:
        return "No judged highlight yet."
    said = counted(lights.negatives, "negative")
    off = lights.offered - lights.in_use
    if abs(off) < WORTH_SAYING_ZONES - NEAR:
        return f"{said}: nothing speaks against the minutes."
    size = sized(abs(off), "zone")
    way = f"{size} too {'high' if off > 0 else 'low'}{' or more' * lights.capped}"
    if enough:
        return f"{said}: high values come {way}."
    return f"{said} speak{'s' * (lights.negatives == 1)} for high values {way}; not enough yet."
