"""Films side by side under equal light: how much slower, how much steeper, what that means."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Label, Length, Within
from emulsa.core.numbers import number_text
from emulsa.core.sensitometry.curve import (
    STOP,
    Curve,
    CurveN,
    Density,
    Drawn,
    Metered,
    Minutes,
    Net,
)
from emulsa.core.sensitometry.figures import (
    Separation,
    bumpiness,
    separations,
    speed_point,
)
from emulsa.core.sensitometry.film_test import ISO_SPAN
from emulsa.core.straight import straight

SMOOTH = 1e-6  # under it a reference has no bumps to compare with
NAMED_FROM = 1 / 3  # stops a patch must be off to be named
LIKE = 0.05  # gradients that differ by less are alike
RANGE_STOPS = 7.0
FRAMES = Length("Frames of the bracket", 0, 60)

PrintSeconds = Annotated[float, Within("The print's time", 0.1, 3_600, "s")]


@dataclass(frozen=True, kw_only=True, slots=True)
class LadderPoint:
    """Minutes that give an N, of the film that is compared."""

    n: CurveN
    minutes: Minutes


@dataclass(frozen=True, kw_only=True, slots=True)
class OtherFilm(Curve):
    """A film beside the reference; its ladder says which minutes would match."""

    ladder: Annotated[tuple[LadderPoint, ...], Length("Points of a ladder", 0, 40)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class Patch:
    """A colour that was photographed on every film: its density on each, by curve."""

    label: Label
    densities: dict[Id, Density]


@dataclass(frozen=True, kw_only=True, slots=True)
class CompareRequest:
    """A reference and others, exposed alike."""

    reference: Curve
    others: Annotated[tuple[OtherFilm, ...], Length("Films to compare", 1, 12)]
    match_net: Net = 0.10
    patches: Annotated[tuple[Patch, ...], Length("Patches", 0, 60)] = ()
    frames: Annotated[tuple[float, ...], FRAMES] = ()
    print_s: PrintSeconds | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class MatchFrame:
    """The frame of a bracket nearest to equal shadows, and what is left over."""

    offset: float
    residual_stops: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PatchAnswer:
    """A colour beside the reference's: positive prints lighter."""

    label: str
    net_difference: float
    lighter_stops: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class OtherAnswer:
    """A film against the reference. Negative ``speed_stops`` is slower."""

    id: str
    speed_stops: float
    ei: float
    frame: MatchFrame | None
    base_fog_difference: float
    print_time_factor: float
    print_s: float | None
    gradient_ratio: float | None
    gradient_span: float | None
    separation_ratio: Separation
    bumpiness_ratio: float | None
    n_difference: float | None
    minutes_to_match: float | None
    extrapolated: bool
    patches: tuple[PatchAnswer, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class CompareAnswer:
    """Every film in the order it came, and what is worth saying."""

    others: tuple[OtherAnswer, ...]
    advice: tuple[Advice, ...]


def compare_films(request: CompareRequest) -> CompareAnswer:
    """Each film against the reference, from where both have equal shadows."""
    for place, other in enumerate(request.others):
        if other.exposure.kind != request.reference.exposure.kind:
            raise Unsound(
                "All films must have their exposures of one kind: by light or by meter.",
                field=f"others.{place}.exposure",
            )
    reference = _Matched(Drawn(request.reference, "reference"), "reference", request.match_net, 0.0)
    answers: list[OtherAnswer] = []
    said: list[Advice] = []
    for place, other in enumerate(request.others):
        field = f"others.{place}"
        shift = _index_shift(other, request.reference)
        matched = _Matched(Drawn(other, field), field, request.match_net, shift)
        answer = _other(reference, matched, other, request)
        answers.append(answer)
        said += _advice(answer)
    return CompareAnswer(others=tuple(answers), advice=tuple(said))


class _Matched:
    """A curve and where it has the density that films are matched at."""

    def __init__(self, drawn: Drawn, field: str, net: float, shift: float) -> None:
        self.drawn = drawn
        self.point = speed_point(drawn, field, net)
        self.at = self.point + shift
        self.separation = separations(drawn, self.point)
        self.bumpiness = bumpiness(drawn, self.point)

    @property
    def room(self) -> float:
        return self.drawn.last - self.point


def _index_shift(curve: Curve, reference: Curve) -> float:
    """Metered at another index, V was another amount of light: so much in log H."""
    mine, theirs = curve.exposure, reference.exposure
    if isinstance(mine, Metered) and isinstance(theirs, Metered):
        return -math.log10(mine.ei / theirs.ei)
    return 0.0


def _other(
    reference: _Matched, matched: _Matched, other: OtherFilm, request: CompareRequest
) -> OtherAnswer:
    speed = (reference.at - matched.at) / STOP
    own = reference.drawn.curve.exposure
    ei_reference = own.ei if isinstance(own, Metered) else 0.8 / 10**reference.point
    fog = other.base_fog - request.reference.base_fog
    span = min(ISO_SPAN, reference.room, matched.room)
    mine, theirs = (
        each.drawn.slope(each.point, span) if span > 0 else None for each in (matched, reference)
    )
    ratio = mine / theirs if mine is not None and theirs else None
    n_difference = RANGE_STOPS * (1 - 1 / ratio) if ratio else None
    minutes, extrapolated = _minutes(other, n_difference)
    factor = 10**fog
    return OtherAnswer(
        id=other.id,
        speed_stops=speed,
        ei=ei_reference * 2**speed,
        frame=_frame(request.frames, speed),
        base_fog_difference=fog,
        print_time_factor=factor,
        print_s=None if request.print_s is None else request.print_s * factor,
        gradient_ratio=ratio,
        gradient_span=span if ratio is not None else None,
        separation_ratio=Separation(
            **{
                name: _ratio(getattr(matched.separation, name), getattr(reference.separation, name))
                for name in ("shadows", "mids", "highlights")
            }
        ),
        bumpiness_ratio=_ratio(matched.bumpiness, reference.bumpiness, SMOOTH),
        n_difference=n_difference,
        minutes_to_match=minutes,
        extrapolated=extrapolated,
        patches=tuple(_patches(reference, other, request)),
    )


def _ratio(mine: float | None, theirs: float | None, least: float = 1e-9) -> float | None:
    return mine / theirs if mine is not None and theirs is not None and theirs > least else None


def _frame(offsets: Sequence[float], speed: float) -> MatchFrame | None:
    """The frame that gives the other film what it lacks."""
    if not offsets:
        return None
    best = min(offsets, key=lambda offset: (abs(offset + speed), abs(offset)))
    return MatchFrame(offset=best, residual_stops=best + speed)


def _minutes(other: OtherFilm, n_difference: float | None) -> tuple[float | None, bool]:
    """The minutes at which the other film would be as steep as the reference."""
    points = sorted((each.minutes, each.n) for each in other.ladder)
    own = other.minutes
    if n_difference is None or own is None or len(points) < 2:
        return None, False
    if any(b[1] <= a[1] or b[0] <= a[0] for a, b in pairwise(points)):
        return None, False
    logs = [(math.log(minutes), n) for minutes, n in points]
    wanted = straight(logs, math.log(own)) - n_difference
    turned = [(n, each) for each, n in logs]
    outside = not turned[0][0] - 1e-9 <= wanted <= turned[-1][0] + 1e-9
    return math.exp(straight(turned, wanted)), outside


def _patches(reference: _Matched, curve: Curve, request: CompareRequest) -> Iterator[PatchAnswer]:
    steep = reference.separation.mids
    for patch in request.patches:
        mine, theirs = patch.densities.get(curve.id), patch.densities.get(request.reference.id)
        if mine is None or theirs is None:
            continue
        off = (mine - curve.base_fog) - (theirs - request.reference.base_fog)
        yield PatchAnswer(
            label=patch.label,
            net_difference=off,
            lighter_stops=off / (STOP * steep) if steep else None,
        )


def _advice(answer: OtherAnswer) -> Iterator[Advice]:
    named = [
        each
        for each in answer.patches
        if each.lighter_stops is not None and abs(each.lighter_stops) >= NAMED_FROM - 1e-9
    ]
    for each in named:
        assert each.lighter_stops is not None
        thirds = max(1, round(3 * abs(each.lighter_stops)))
        noun = "stop" if thirds <= 3 else "stops"
        side = "lighter" if each.lighter_stops > 0 else "darker"
        yield Advice(
            code="colour-prints-otherwise",
            severity="note",
            text=f"On {answer.id} {each.label} prints {number_text(thirds / 3)} {noun} {side} than"
            " the reference’s.",
        )
    ratio = answer.gradient_ratio
    if named and ratio is not None and abs(ratio - 1) > LIKE:
        yield Advice(
            code="colour-with-contrast",
            severity="note",
            text=f"{answer.id} is {'steeper' if ratio > 1 else 'flatter'} than the reference: a"
            " difference of contrast is in its colours, too.",
        )
