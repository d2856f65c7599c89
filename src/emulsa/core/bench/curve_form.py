"""A development of a test as its form shows it: what is kept of it, else what the strip that was
exposed for it or the curves before it say."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.bench.record import FilmTest, TestStrip
from emulsa.core.bench.tablet import TABLETS, StepRow
from emulsa.core.numbers import typed_text
from emulsa.core.sensitometry.curve import Curve, DensityStep

BESIDE_LOG_H = 3.0  # beside a tablet nobody has measured the light at, to be written over
FIRST_EI = 100.0
EVEN = 1e-6  # of a stop: less is the last digit's


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveForm:
    """What stands in each field; ``kept`` where the steps lie, the least exposure first."""

    minutes: str
    fog: str
    light: bool
    ei: str
    how: str
    first: str
    step: str
    own: str
    text: str
    kept: tuple[float, ...]


def curve_forms(test: FilmTest) -> tuple[CurveForm, ...]:
    """One for each development, and one for the next."""
    return tuple(_form(test, each) for each in (*test.curves, None))


def _form(test: FilmTest, known: Curve | None) -> CurveForm:
    has = known is not None and bool(known.steps)
    like = known if has else next((each for each in test.curves if each.steps), None)
    before = known or (test.curves[-1] if test.curves else None)
    strip = next((each for each in test.strips if known and each.curve_id == known.id), None)
    kept = _exposures(like.steps if like else ())
    row = StepRow() if len(kept) < 2 else _lying(kept)
    if not has:
        row = _begun(test, strip, row)
    by_light = (
        known.exposure.kind == "lux_seconds" if known is not None else test.tablet_log_h is not None
    )
    ei = before.exposure.ei if before and before.exposure.kind == "metered" else FIRST_EI
    steps = sorted(known.steps if known else (), key=_exposure)
    return CurveForm(
        minutes=typed_text(known.minutes) if known and known.minutes else "",
        fog="" if before is None else typed_text(before.base_fog),
        light=by_light,
        ei=typed_text(ei),
        how=row.how,
        first=typed_text(row.first),
        step=typed_text(row.step),
        own=" ".join(typed_text(each) for each in test.tablet),
        text="\n".join(typed_text(round(each.density, 3)) for each in steps),
        kept=kept,
    )


def _lying(at: Sequence[float]) -> StepRow:
    """An even row when the steps are one, else one by one as they are kept."""
    first, step = at[0], at[1] - at[0]
    even = all(abs(each - first - place * step) < EVEN for place, each in enumerate(at))
    return StepRow(how="even" if even else "kept", first=first, step=step, kept=tuple(at))


def _begun(test: FilmTest, strip: TestStrip | None, row: StepRow) -> StepRow:
    """How the steps of a development without densities were exposed, by strip or by target."""
    if test.target in TABLETS or test.target == "own tablet":
        beside = BESIDE_LOG_H if test.tablet_log_h is None else test.tablet_log_h
        return StepRow(how=test.target, first=beside, step=row.step)  # type: ignore[arg-type]
    if strip is not None:
        return StepRow(how="even", first=strip.first_stops, step=strip.step_stops)
    return row


def _exposure(step: DensityStep) -> float:
    return step.stops if step.stops is not None else step.log_h or 0.0


def _exposures(steps: Sequence[DensityStep]) -> tuple[float, ...]:
    return tuple(sorted(_exposure(each) for each in steps))
