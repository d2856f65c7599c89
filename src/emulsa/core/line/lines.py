"""Everything typed at once over a scene, line after line, and what all of it changes."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.kit.preferences import Preferences
from emulsa.core.line import grammar
from emulsa.core.line.carry_out import CarriedOut, KitNames, ask_iso, carry_out
from emulsa.core.line.flashed import by_flash
from emulsa.core.line.making import NOTHING, Made
from emulsa.core.line.several import split
from emulsa.core.line.words import FlashWord, ReadingWord, TimeWord
from emulsa.core.scene.changes import ChooseFilters, Edit, Place, SetAperture
from emulsa.core.scene.edits import edited
from emulsa.core.scene.plan import falls, meter_set
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.time_first import for_time


@dataclass(frozen=True, kw_only=True, slots=True)
class Typed:
    """What was typed, in words, where its last reading falls, and what carries it out."""

    says: str
    falls_on: str
    edits: tuple[Edit, ...]
    makes: Made


def typed(
    text: str, scene: Scene, own: SceneKit, kit: KitNames, way: Preferences, reading_id: str
) -> Typed:
    """The meaning of one line or several over a scene with its ``own`` kit; several readings are
    numbered behind ``reading_id``. A refusal names its line when there are several."""
    lines = split(text)
    edits: tuple[Edit, ...] = ()
    made, says, last = NOTHING, [], ""
    for number, line in enumerate(lines):
        one_id = f"{reading_id}-{number}" if number else reading_id
        try:
            done = _one(line, scene, own, kit, way, one_id)
        except CoreError as problem:
            raise _placed(problem, lines, number) from None
        scene = edited(scene, done.edits, "")
        kit = kit.with_made(done.makes)
        own = kit.of(scene, own)
        edits, made = edits + done.edits, made.and_(done.makes)
        says.append(done.says)
        last = one_id if any(each.id == one_id for each in scene.readings) else last
    tones = falls(scene, own)
    falls_on = next((each.zone_text for each in tones if each.id == last), "")
    placed = any(isinstance(each, Place) for each in edits)
    if falls_on and not placed:
        says[-1] += f" · falls on {falls_on}"
    return Typed(says="; ".join(says), falls_on=falls_on, edits=edits, makes=made)


def _one(
    line: str, scene: Scene, own: SceneKit, kit: KitNames, way: Preferences, id_: str
) -> CarriedOut:
    meter = meter_set(scene, own, way.time_iso)
    word = grammar.parse(line, meter)
    if isinstance(word, ReadingWord):
        has_iso = scene.meter_iso is not None or bool(own.meter and own.meter.iso is not None)
        ask_iso(word, meter, has_iso, way.time_iso)
    if isinstance(word, TimeWord):
        return _timed(scene, own, kit, word)
    if isinstance(word, FlashWord):
        edits, says = by_flash(scene, own, word)
        return CarriedOut(edits=edits, says=says)
    return carry_out(scene, word, kit, id_, way.habits.target_zone)


def _timed(scene: Scene, own: SceneKit, kit: KitNames, word: TimeWord) -> CarriedOut:
    """The aperture and the filter a wanted time asks for, put on."""
    greys = [each for each in kit.filters if each.filter.type == "plain" and not each.archived]
    found = for_time(scene, own, greys, word.seconds)
    edits: list[Edit] = []
    if found.aperture is not None:
        edits.append(SetAperture(aperture=found.aperture))
    if found.filter_id is not None:
        edits.append(ChooseFilters(filter_ids=(*scene.filter_ids, found.filter_id)))
    return CarriedOut(edits=tuple(edits), says=found.says)


def _placed(problem: CoreError, lines: tuple[str, ...], number: int) -> CoreError:
    """The refusal of one line of several, with which it was and the whole text put right."""
    if len(lines) == 1:
        return problem
    allowed = problem.allowed
    if isinstance(allowed, list) and allowed and isinstance(allowed[0], str):
        allowed = ["; ".join((*lines[:number], allowed[0], *lines[number + 1 :]))]
    said = f"Line {number + 1}, “{lines[number][:40]}”: {problem.message}"
    return type(problem)(said, field=problem.field, allowed=allowed)
