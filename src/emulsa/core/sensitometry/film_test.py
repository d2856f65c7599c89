"""A film test: what each development of a film gives, and which minutes stand for which N.

Speed point, average gradient and the ISO triangle after ISO 6; contrast index after Todd & Zakia,
Photographic Sensitometry: both from memory. Every value whose span leaves the data is empty and
named; nothing is extrapolated but one step of the ladder.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.data.printing_ways import WAYS, PrintedBy
from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Length, Within
from emulsa.core.sensitometry.curve import SPEED_NET, STOP, Curve, Drawn, Net
from emulsa.core.sensitometry.figures import (
    SEPARATIONS,
    Separation,
    bumpiness,
    contrast_index,
    flat_before_toe,
    index_at,
    metered_index,
    separations,
    shoulder,
    speed_point,
    steepest,
)
from emulsa.core.sensitometry.ladder import Rung, ladder
from emulsa.core.sensitometry.speeds import beside

ISO_SPAN, ISO_RISE, ISO_SLACK = 1.30, 0.80, 0.05


@dataclass(frozen=True, kw_only=True, slots=True)
class Targets:
    """What a normal negative is to be. Common practice, no source: Zone VIII 1.25 above fog over
    seven stops, from a Zone I of 0.10.

    ``density_range`` is the range between the two, unless another is wanted: then the gradient
    wanted and N speak of one film.
    """

    net_at_viii: Net = 1.25
    range_stops: Annotated[float, Within("The range in stops", 1, 20)] = 7
    density_range: Annotated[float, Within("The density range", 0.2, 3)] | None = None
    flare: Annotated[float, Within("Flare, in log H", 0, 1)] = 0

    @property
    def gradient(self) -> float:
        """The average gradient that prints the range: Ḡ = DR / (log10 2 · stops − flare)."""
        range_ = self.density_range
        if range_ is None:
            range_ = self.net_at_viii - SPEED_NET
        return range_ / (STOP * self.range_stops - self.flare)


USUAL_TARGETS = Targets()


def targets_for(way: PrintedBy) -> Targets:
    """What a normal negative is by the way it is printed.

    >>> targets_for("condenser").net_at_viii
    1.1
    """
    return Targets(net_at_viii=WAYS[way][1])


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTestRequest:
    """Curves of one film, one for each development."""

    curves: Annotated[tuple[Curve, ...], Length("Curves", 1, 12)]
    box_speed: ExposureIndex | None = None
    targets: Targets = Targets()


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveAnswer:
    """What a curve says; a value whose span leaves the data is empty, its name in
    ``extrapolated``. ``ei`` is by how the curve was exposed, ``metered_ei`` what a meter is set
    to: one film has one index in use, the metered one."""

    id: str
    minutes: float | None
    speed_log_h: float | None
    speed_stops: float | None
    crossings: int
    iso_conditions: bool | None
    ei: float
    metered_ei: float
    speed_text: str
    gamma: float | None
    average_gradient: float | None
    contrast_index: float | None
    contrast_index_reason: str
    range_stops: float | None
    n: float | None
    gradient_wanted: float
    separation: Separation
    bumpiness: float | None
    flat_before_toe_stops: float | None
    shoulder_log_h: float | None
    extrapolated: tuple[str, ...]
    advice: tuple[Advice, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTestAnswer:
    """Every curve in the order they came, and the ladder of N between them."""

    curves: tuple[CurveAnswer, ...]
    n_ladder: tuple[Rung, ...]
    advice: tuple[Advice, ...]


def film_test(request: FilmTestRequest) -> FilmTestAnswer:
    """Speed, contrast and range of each development, and the minutes of each N.

    Unsound or OutOfRange, with the curve and step named, for data no film gives.
    """
    one_kind(request.curves, "curves")
    answers = tuple(
        _answer(Drawn(curve, f"curves.{place}"), f"curves.{place}", request)
        for place, curve in enumerate(request.curves)
    )
    rungs, said = ladder(
        [
            (each.minutes, each.n, each.metered_ei)
            for each in answers
            if each.minutes is not None and each.n is not None
        ]
    )
    advice = [each for answer in answers for each in answer.advice]
    return FilmTestAnswer(curves=answers, n_ladder=rungs, advice=(*advice, *said))


def one_kind(curves: Sequence[Curve], field: str) -> None:
    """Unsound when exposures are known by light and by meter at once."""
    for place, curve in enumerate(curves):
        if curve.exposure.kind != curves[0].exposure.kind:
            raise Unsound(
                "All curves must have their exposures of one kind: by light or by meter.",
                field=f"{field}.{place}.exposure",
            )


def _answer(drawn: Drawn, field: str, request: FilmTestRequest) -> CurveAnswer:
    start, targets = speed_point(drawn, f"{field}.steps"), request.targets
    lacks: list[str] = []

    def kept(name: str, value: float | None) -> float | None:
        if value is None:
            lacks.append(name)
        return value

    ei = index_at(drawn, start)
    average = kept("average_gradient", drawn.slope(start, ISO_SPAN))
    iso = None if average is None else abs(average * ISO_SPAN - ISO_RISE) <= ISO_SLACK + 1e-9
    steep = steepest(drawn)
    contrast, reason = contrast_index(drawn)
    viii = drawn.reaches(targets.net_at_viii)
    range_stops = kept("range_stops", None if viii is None else (viii - start) / STOP)
    separation = separations(drawn, start)
    for name, _, _ in SEPARATIONS:
        kept(f"separation.{name}", getattr(separation, name))
    crossings = sum(1 for _ in drawn.crossings(SPEED_NET))
    gamma = kept("gamma", None if steep is None else steep[0])
    if reason:
        lacks.append("contrast_index")
    if iso is None:
        lacks.append("iso_conditions")
    n = kept("n", None if range_stops is None else targets.range_stops - range_stops)
    return CurveAnswer(
        id=drawn.curve.id,
        minutes=drawn.curve.minutes,
        speed_log_h=None if drawn.metered else start,
        speed_stops=start / STOP if drawn.metered else None,
        crossings=crossings,
        iso_conditions=iso,
        ei=ei,
        metered_ei=metered_index(ei, metered=drawn.metered),
        speed_text=beside(ei, request.box_speed),
        gamma=gamma,
        average_gradient=average,
        contrast_index=contrast,
        contrast_index_reason=reason,
        range_stops=range_stops,
        n=n,
        gradient_wanted=targets.gradient,
        separation=separation,
        bumpiness=kept("bumpiness", bumpiness(drawn, start)),
        flat_before_toe_stops=kept("flat_before_toe_stops", flat_before_toe(drawn, start)),
        shoulder_log_h=None if steep is None else shoulder(drawn, *steep),
        extrapolated=tuple(lacks),
        advice=tuple(_advice(drawn, crossings)),
    )


def _advice(drawn: Drawn, crossings: int) -> list[Advice]:
    if crossings < 2:
        return []
    return [
        Advice(
            code="speed-point-twice",
            severity="caution",
            text=f"{drawn.curve.id} passes 0.10 above base plus fog {crossings} times; the last way"
            " up is taken. Read those steps again.",
        )
    ]
