"""What waits in the dark: exposed sheets, and strips whose one development is chosen."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field

from emulsa.core.development.choice import Choice
from emulsa.core.development.negative import Negative
from emulsa.core.development.ratings import RatingReason
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip, frames_in, is_out, strip_text
from emulsa.core.logged.log import light_stops
from emulsa.core.logged.record import Shot
from emulsa.core.logged.texts import part_text, set_text


@dataclass(frozen=True, kw_only=True, slots=True)
class WaitingFilm:
    """Film developed as one: an exposed sheet, or a strip of a roll with all its frames.

    Where it is, what is on it, and what it needs; ``n`` is the N that was planned, ``error_stops``
    how far its light was off, ``exposure_index`` what it was rated at, ``recipe_id`` the one it was
    exposed for, ``of_roll`` whether it is a strip, ``weight`` how much it matters, ``choice`` what
    was decided since.
    """

    exposure_id: str
    piece_ids: tuple[str, ...]
    film_id: str
    recipe_id: str | None
    where: str
    scene_title: str
    scene_id: str
    exposed_at: str
    n: float
    development_change: float
    error_stops: float
    set_text: str
    part_text: str = ""
    exposure_index: float | None = None
    weight: int = 1
    choice: Choice = Choice()
    rating_reason: RatingReason | None = None
    hold_highlights: bool = False
    of_roll: bool = False

    @property
    def negative(self) -> Negative:
        """What it brings to its development."""
        return Negative(
            n=self.n,
            error_stops=self.error_stops,
            rated_ei=self.exposure_index,
            rating_reason=self.rating_reason,
            hold_highlights=self.hold_highlights,
            reciprocity_change=self.development_change,
            choice=self.choice,
        )

    @property
    def chosen_recipe_id(self) -> str | None:
        """The recipe it will be developed by."""
        return self.choice.recipe_id or self.recipe_id


@dataclass(frozen=True, kw_only=True, slots=True)
class Exposed:
    """What is exposed and not in a run: the pieces in the order of loading, the exposures of each
    in their order, the titles of their scenes, and the rolls with their strips; ``usual`` is each
    film's first recipe, for what was exposed before it had one; ``without_n`` are the films that
    have no N, so that nothing is to be chosen for them; ``hold_highlights`` is the
    photographer's way with exposures that were off."""

    pieces: Sequence[Piece]
    shots: Mapping[str, Sequence[Shot]]
    titles: Mapping[str, str]
    rolls: Sequence[Roll] = ()
    strips: Mapping[str, Sequence[Strip]] | None = None
    usual: Mapping[str, str] = field(default_factory=dict)
    hold_highlights: bool = False
    without_n: frozenset[str] = frozenset()


@dataclass(frozen=True, kw_only=True, slots=True)
class Undecided:
    """A strip nobody chose a development for."""

    strip_id: str
    text: str


def waiting_film(exposed: Exposed) -> tuple[tuple[WaitingFilm, ...], tuple[Undecided, ...]]:
    """Sheets and chosen strips that wait, and the strips nobody chose a development for."""
    known = [each for each in exposed.pieces if exposed.shots.get(each.id)]
    waiting = [_sheet(each, exposed) for each in known if each.roll_id is None]
    undecided = []
    for roll in exposed.rolls:
        of_roll = [each for each in known if each.roll_id == roll.id]
        for strip in (exposed.strips or {}).get(roll.id, ()):
            frames = frames_in(strip, of_roll)
            if not frames or not is_out(roll, strip):
                continue
            if strip.n is None and roll.film_id not in exposed.without_n:
                undecided.append(Undecided(strip_id=strip.id, text=strip_text(roll, strip)))
            else:
                waiting.append(_strip(roll, strip, frames, exposed))
    return tuple(waiting), tuple(undecided)


def _sheet(sheet: Piece, exposed: Exposed) -> WaitingFilm:
    shots = exposed.shots[sheet.id]
    last = shots[-1]
    return WaitingFilm(
        exposure_id=last.id,
        piece_ids=(sheet.id,),
        film_id=sheet.film_id,
        recipe_id=last.recipe_id or exposed.usual.get(sheet.film_id),
        where=f"{sheet.label}, {sheet.kept_in}" if sheet.kept_in else sheet.label,
        scene_title=exposed.titles[last.scene_id],
        scene_id=last.scene_id,
        exposed_at=last.exposed_at,
        n=last.n,
        development_change=last.development_change,
        error_stops=light_stops(shots),
        set_text=set_text(last.aperture, last.seconds, last.mark),
        part_text=part_text(last),
        exposure_index=last.exposure_index,
        weight=sheet.weight,
        choice=sheet.choice or Choice(),
        rating_reason=last.rating_reason,
        hold_highlights=exposed.hold_highlights,
    )


def _strip(roll: Roll, strip: Strip, frames: Sequence[Piece], exposed: Exposed) -> WaitingFilm:
    """A strip as one: its chosen N, and what all of its frames' long times ask together."""
    own = strip.exposure_index
    first = exposed.shots[frames[0].id][-1]
    return WaitingFilm(
        exposure_id=first.id,
        piece_ids=tuple(each.id for each in frames),
        film_id=roll.film_id,
        recipe_id=strip.recipe_id or first.recipe_id or exposed.usual.get(roll.film_id),
        where=strip_text(roll, strip).capitalize(),
        scene_title=f"{len(frames)} frames" if len(frames) > 1 else "1 frame",
        scene_id=first.scene_id,
        exposed_at=first.exposed_at,
        n=strip.n or 0.0,
        development_change=common_change(exposed.shots[each.id][-1] for each in frames),
        error_stops=0.0,
        set_text="",
        exposure_index=own or roll.exposure_index,
        weight=max(each.weight for each in frames),
        choice=frames[0].choice or Choice(),
        rating_reason="push_pull" if own else roll.rating_reason,
        of_roll=True,
    )


def common_change(shots: Iterable[Shot]) -> float:
    """The change of development that long times ask of every frame: the mildest of them, and none
    where they do not agree."""
    changes = [each.development_change for each in shots]
    mildest = min(changes, key=lambda each: abs(math.log(each)), default=1.0)
    agree = all((each < 1) == (mildest < 1) for each in changes)
    return mildest if agree else 1.0
