"""Film for a test: its frames logged like any exposure, and its strips put into runs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.bench.plan import BracketPlan, frames_of
from emulsa.core.bench.record import DEVELOPMENTS, FRAMES, FilmTest, TestStrip
from emulsa.core.bench.tablet import FirstStops, StepStops
from emulsa.core.corrections.optics import Lens
from emulsa.core.darkroom.run import Minutes, Run
from emulsa.core.errors import Impossible, Missing, Unsound
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.film.acts.exposing import Bracketed, Logging, Target, expose_bracket
from emulsa.core.film.moves import Outcome
from emulsa.core.film.pieces import Piece
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import EvReading
from emulsa.core.limits import EV, ExposureIndex, Id, Length, Name, Seconds
from emulsa.core.logged.record import Given, Planned
from emulsa.core.numbers import counted, plain
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.core.sensitometry.curve import Curve, Metered
from emulsa.core.tones.zones import MIDDLE

CARD = "grey card"


@dataclass(frozen=True, kw_only=True, slots=True)
class FrameGiven:
    """Aperture and clock seconds a frame was given."""

    aperture: ApertureMark
    seconds: Seconds


@dataclass(frozen=True, kw_only=True, slots=True)
class StripExposing:
    """The frames of one development: a card metered at ``ev`` with the meter set to ``ei``, a frame
    for every piece of film, the least exposed first. ``given``: what each was really given, where
    the list was worked out elsewhere."""

    bracket_id: Id
    lens_id: Id
    ev: EV
    ei: ExposureIndex
    first_stops: FirstStops = -6
    step_stops: StepStops = 1
    minutes: Minutes
    piece_ids: Annotated[tuple[Id, ...], FRAMES]
    given: Annotated[tuple[FrameGiven, ...], Length("Frames given", 0, 40)] = ()

    def __post_init__(self) -> None:
        if self.given and len(self.given) != len(self.piece_ids):
            raise Unsound("Every frame is given something, or none is said.", field="given")


@dataclass(frozen=True, kw_only=True, slots=True)
class StripRun:
    """The run a development's film goes into."""

    run_id: Id
    name: Name


def outing_of(test: FilmTest, day: str) -> Outing:
    """The day at the card, as the log files it."""
    return Outing(id=f"{test.id[:50]}-test-day", title=test.title, day=day)


def scene_of(test: FilmTest, outing: Outing, asked: StripExposing) -> Scene:
    """The card as a scene: one reading, on V, developed normally."""
    return Scene(
        id=f"{test.id[:50]}-test-card",
        outing_id=outing.id,
        title=f"{CARD}, {test.title}"[:80],
        film_id=test.film_id,
        recipe_id=test.recipe_id,
        lens_id=asked.lens_id,
        exposure_index=asked.ei,
        pin=Pin(reading="card", zone=MIDDLE),
        n=0.0,
        readings=(SceneReading(id="card", label=CARD, reading=EvReading(kind="ev", ev=asked.ev)),),
    )


def expose_strip(
    test: FilmTest,
    asked: StripExposing,
    scene: Scene,
    request: ExposureRequest,
    lens: Lens,
    targets: Mapping[str, Target],
    logging: Logging,
) -> tuple[FilmTest, Outcome]:
    """The test with its strip, and every frame exposed as the list says.

    Impossible when a development of these minutes has film already, when there is room for no
    further one, or a frame is of another film.
    """
    check_minutes(test, asked.minutes)
    name = strip_name(asked.minutes)
    frames = frames_of(
        BracketPlan(
            ev=asked.ev,
            ei=asked.ei,
            first_stops=asked.first_stops,
            step_stops=asked.step_stops,
            frames=len(asked.piece_ids),
        ),
        lens,
    ).frames
    planned = Planned(
        request=request, film_id=test.film_id, recipe_id=test.recipe_id, lens_id=asked.lens_id
    )
    bracket = Bracketed(
        id=asked.bracket_id,
        frames=tuple(
            Given(
                id=f"{asked.bracket_id[:58]}-{frame.number}",
                scene_id=scene.id,
                piece_id=piece_id,
                plan=planned,
                aperture=given.aperture if given else frame.aperture,
                time=given.seconds if given else frame.time,
                bracket_stops=frame.stops,
                note=f"for {name}",
            )
            for frame, piece_id, given in zip(
                frames, asked.piece_ids, asked.given or (None,) * len(frames), strict=True
            )
        ),
    )
    strip = TestStrip(
        curve_id=name,
        minutes=asked.minutes,
        ei=asked.ei,
        first_stops=asked.first_stops,
        step_stops=asked.step_stops,
        piece_ids=asked.piece_ids,
    )
    outcome = expose_bracket(bracket, {}, targets, logging)
    changed = replace(
        test,
        strips=(*test.strips, strip),
        curves=with_curve(test.curves, name, asked.minutes, asked.ei),
    )
    return changed, replace(
        outcome, says=f"expose {counted(len(frames), 'frame')} for {test.title}"
    )


def strip_name(minutes: float) -> str:
    """What the development of so many minutes is called.

    >>> strip_name(7.5)
    '7.5 min'
    """
    return f"{plain(minutes)} min"


def check_minutes(test: FilmTest, minutes: float) -> None:
    """Impossible when a development of these minutes has film, or there is room for none."""
    name = strip_name(minutes)
    if any(each.curve_id == name for each in test.strips):
        raise Impossible(
            f"Film was exposed for {name} already; choose other minutes, or undo that first.",
            field="minutes",
        )
    if full(test) and all(each.id != name for each in test.curves):
        raise Impossible(full(test), field="minutes")


def full(test: FilmTest) -> str:
    """Why a test takes no further development, before film is exposed for one; else nothing."""
    if max(len(test.curves), len(test.strips)) < DEVELOPMENTS.high:
        return ""
    return f"This test holds {DEVELOPMENTS.high} developments; begin another one for more."


def run_of(test: FilmTest, curve_id: str, asked: StripRun) -> tuple[FilmTest, Run, tuple[str, ...]]:
    """The test with its strip in a run, the run for its minutes, and the film that goes in."""
    strip = next((each for each in test.strips if each.curve_id == curve_id), None)
    if strip is None:
        raise Missing("No film was exposed for this development yet.", field="curve_id")
    if strip.run_id is not None:
        raise Impossible(f"The film for {curve_id} is in a run already.", field="curve_id")
    run = Run(
        id=asked.run_id, name=asked.name, recipe_id=test.recipe_id, n=0.0, minutes=strip.minutes
    )
    strips = tuple(replace(each, run_id=run.id) if each is strip else each for each in test.strips)
    return replace(test, strips=strips), run, strip.piece_ids


@dataclass(frozen=True, kw_only=True, slots=True)
class UnexposedFilm:
    """Film of a test's kind that can be exposed next: a roll in a camera, or sheets in holders."""

    label: str
    roll_id: str | None
    piece_ids: tuple[str, ...]


def unexposed(pieces: Sequence[Piece], next_frames: Mapping[str, int]) -> tuple[UnexposedFilm, ...]:
    """What lies ready, by roll from its next frame on, then all sheets together."""
    found = []
    for roll_id, frame in next_frames.items():
        frames = sorted(
            (each.frame or 0, each.id, each.label)
            for each in pieces
            if each.roll_id == roll_id and (each.frame or 0) >= frame
        )
        if frames:
            label = f"roll {frames[0][2][1:].split('-')[0]}, from frame {frames[0][0]}"
            found.append(
                UnexposedFilm(
                    label=label, roll_id=roll_id, piece_ids=tuple(id_ for _, id_, _ in frames)
                )
            )
    sheets = [each for each in pieces if each.holder_id is not None and each.in_place]
    if sheets:
        sides = sorted(sheets, key=lambda each: (len(each.label), each.label))
        label = f"sheets, {sides[0].label} first"
        found.append(
            UnexposedFilm(label=label, roll_id=None, piece_ids=tuple(each.id for each in sides))
        )
    return tuple(found)


def with_curve(curves: Sequence[Curve], name: str, minutes: float, ei: float) -> tuple[Curve, ...]:
    """The development waits for its densities beside the others."""
    if any(each.id == name for each in curves):
        return tuple(curves)
    fog = curves[-1].base_fog if curves else 0.0
    new = Curve(
        id=name,
        minutes=minutes,
        base_fog=fog,
        exposure=Metered(kind="metered", ei=ei),
        steps=(),
    )
    return (*curves, new)
