"""Runs: film put into one, how it went, developed, or taken out again while it is dry."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.chemistry.film_area import rolls as rolls_of
from emulsa.core.darkroom.areas import Areas, roll_count
from emulsa.core.darkroom.got import developer_of
from emulsa.core.darkroom.room import check_room, share_together
from emulsa.core.darkroom.run import Run, Went, WentStep, to_the_second
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development import temperature
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import Impossible
from emulsa.core.film.moves import Gone, Outcome, move
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip, frames_in, is_out, strip_text
from emulsa.core.kit.darkroom import Bottle, Line, Tank, charged, used_up
from emulsa.core.limits import Id, Length


@dataclass(frozen=True, kw_only=True, slots=True)
class RunBeginning:
    """A run and the film that goes into it; a strip goes whole."""

    run: Run
    piece_ids: Annotated[tuple[Id, ...], Length("Pieces of film in a run", 1, 500)]


@dataclass(frozen=True, kw_only=True, slots=True)
class OnRolls:
    """The rolls that film of a run is on: each with its strips and all its frames."""

    rolls: Mapping[str, Roll]
    strips: Mapping[str, Sequence[Strip]]
    frames: Mapping[str, Sequence[Piece]]

    def strips_with(self, pieces: Sequence[Piece]) -> list[tuple[Roll, Strip]]:
        """The strips these pieces lie on."""
        ids = {each.id for each in pieces}
        return [
            (self.rolls[roll_id], strip)
            for roll_id in dict.fromkeys(each.roll_id for each in pieces if each.roll_id)
            for strip in self.strips[roll_id]
            if any(each.id in ids for each in frames_in(strip, self.frames[roll_id]))
        ]


@dataclass(frozen=True, kw_only=True, slots=True)
class InRun:
    """What a run holds: its film with the rolls that is on, its bottles, and how large film is."""

    pieces: Sequence[Piece]
    on_rolls: OnRolls
    bottles: Sequence[Bottle]
    areas: Areas


def begin(
    run: Run,
    recipe: Recipe,
    pieces: Sequence[Piece],
    on_rolls: OnRolls,
    tank: Tank | None,
    bottles: Sequence[Bottle],
    areas: Areas,
    at: str,
    kind: FilmKindName | None = None,
    together: bool = False,
) -> Outcome:
    """Film into a run: of one kind, unless it was found to go ``together``; strips whole, no more
    than the tank holds, no spent bottle."""
    if len({each.film_id for each in pieces}) > 1 and not together:
        raise Impossible(
            "Different films never share a run; begin one for each.", field="piece_ids"
        )
    _strips_whole(pieces, on_rolls)
    if run.temperature_c is not None:
        reason = " ".join(each.choice.reason for each in pieces if each.choice)
        temperature.allowed(recipe, run.temperature_c, "run.temperature_c", reason, kind)
    if tank is not None:
        share = share_together(tank, areas.sheets_in2(pieces), roll_count(pieces))
        check_room(tank, share, "piece_ids")
    for bottle in bottles:
        if said := used_up(bottle):
            raise Impossible(said, field="run.bottle_ids")
    begun = replace(run, begun_at=at, developed_at="", went=None)
    return Outcome(
        says=f"set up run {run.name}",
        kept=(begun,),
        moved=tuple(move(each, "start_run", at, run.name, run_id=run.id) for each in pieces),
    )


def keep_course(run: Run, went: Went) -> Outcome:
    """How a run went by its clock."""
    return Outcome(
        says=f"keep how run {run.name} went", kept=(replace(run, went=to_the_second(went)),)
    )


def by_hand(run: Run, minutes: float, line: Line | None) -> Run:
    """A run nobody timed by its clock, with the minutes it was given as one noted them."""
    name = developer_of(line)
    return replace(
        run, went=to_the_second(Went(steps=(WentStep(name=name, seconds=60 * minutes),)))
    )


def developed(run: Run, held: InRun, at: str) -> Outcome:
    """Out of the developer and fixed: its film is developed, its bottles have done so much more.

    Frames of its strips that were never exposed are developed with them, and blank.
    """
    label = f"mark run {run.name} developed"
    if run.developed_at:
        return Outcome(says=label)
    spent = rolls_of(held.areas.in2(held.pieces))
    blank = [
        move(each, "skip", at, run.name)
        for roll, strip in held.on_rolls.strips_with(held.pieces)
        for each in frames_in(strip, held.on_rolls.frames[roll.id])
        if each.state == "loaded"
    ]
    done = [move(each, "develop", at, run.name, in_place=False) for each in held.pieces]
    return Outcome(
        says=label,
        kept=(replace(run, developed_at=at), *(charged(each, spent) for each in held.bottles)),
        moved=(*done, *blank),
    )


def finished(run: Run, went: Went, held: InRun, at: str) -> Outcome:
    """Its clock is over: how it went, and its film developed, as one thing. Of a run that somebody
    marked developed meanwhile, how it went is kept all the same."""
    if run.developed_at:
        return keep_course(run, went)
    return developed(replace(run, went=to_the_second(went)), held, at)


def leave(run: Run, pieces: Sequence[Piece], at: str) -> Outcome:
    """All film out of a run before it meets the developer."""
    return Outcome(
        says=f"cancel run {run.name}",
        moved=tuple(move(each, "leave_run", at, run.name, run_id=None) for each in pieces),
        gone=(Gone(kind=Run, id=run.id),),
    )


def _strips_whole(pieces: Sequence[Piece], on_rolls: OnRolls) -> None:
    """A strip hangs together: all of its exposed frames go into the run, or none."""
    chosen = {each.id for each in pieces}
    for roll, strip in on_rolls.strips_with(pieces):
        if not is_out(roll, strip):
            raise Impossible(f"Finish roll {roll.number} first.", field="piece_ids")
        exposed = {
            each.id
            for each in frames_in(strip, on_rolls.frames[roll.id])
            if each.state == "exposed"
        }
        if not exposed <= chosen:
            raise Impossible(
                f"The frames of {strip_text(roll, strip)} hang together; put all of them in.",
                field="piece_ids",
            )
