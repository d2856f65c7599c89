"""Shutters, meters and papers on the bench."""

from __future__ import annotations

from dataclasses import replace

from emulsa.api.keeping import unchanged, why_not
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.core.bench.checks import (
    MeterCheck,
    MeterReadings,
    ShutterCheck,
    ShutterReadings,
    check_meters,
    check_shutter,
    corrected_meter,
    measured_body,
    measured_lens,
)
from emulsa.core.bench.proof import Proof, ProofRead, measured_paper, read
from emulsa.core.kit.bag import Camera, KitLens, Meter
from emulsa.core.kit.printing import PrintingPaper
from emulsa.store import kit

routes = Routes("checks", "/api/bench/checks", tag="bench")
NO_LENS, NO_METER = "This lens is not in the kit.", "This meter is not in the kit."


@routes.question("/shutter", "POST")
def shutter(db: Db, readings: ShutterReadings) -> ShutterCheck:
    """What a shutter's readings say; nothing is kept."""
    lens = needed(kit.lens(db, readings.lens_id), NO_LENS, "lens_id")
    return check_shutter(lens.optics.shutter, readings.marks)


@routes.act("POST", "/shutter/use", works_out=True)
def use_shutter(act: Act, base: str, readings: ShutterReadings) -> KitLens | Camera:
    """Give a lens, or the camera whose body has the shutter, as it was when it was checked, the
    times its shutter was found to give."""
    lens = needed(kit.lens(act.db, readings.lens_id), NO_LENS, "lens_id")
    found = check_shutter(lens.optics.shutter, readings.marks)
    camera = kit.camera(act.db, lens.camera_id)
    on: KitLens | Camera = lens
    changed: KitLens | Camera = measured_lens(lens, found)
    if camera is not None and camera.shutter is not None:
        on, changed = camera, measured_body(camera, camera.shutter, found)
    act.says(f"use measured times of {on.name}")
    unchanged(on.name, on, changed, base)
    act.keep(changed)
    return changed


@routes.question("/meters", "POST")
def meters(db: Db, readings: MeterReadings) -> MeterCheck:
    """How far two meters are apart; nothing is kept."""
    other = needed(kit.meter(db, readings.other_id), NO_METER, "other_id")
    found = check_meters(readings.pairs)
    problem = why_not(corrected_meter(other, found))
    return replace(found, says=(*found.says, problem)) if problem else found


@routes.act("POST", "/meters/use", works_out=True)
def use_meters(act: Act, base: str, readings: MeterReadings) -> Meter:
    """Correct the other meter, as it was when they were compared, by the trusted one."""
    other = needed(kit.meter(act.db, readings.other_id), NO_METER, "other_id")
    changed = corrected_meter(other, check_meters(readings.pairs))
    act.says(f"correct {other.name}")
    unchanged(other.name, other, changed, base)
    act.keep(changed)
    return changed


@routes.question("/paper", "POST")
def paper(proof: Proof) -> ProofRead:
    """What a contact proof of a step tablet shows of a paper; nothing is kept."""
    return read(proof)


@routes.act("POST", "/paper/use", works_out=True)
def use_paper(act: Act, base: str, proof: Proof) -> PrintingPaper:
    """Give a paper, as it was when it was proved, the range, white and black its proof shows."""
    known = needed(kit.paper(act.db, proof.paper_id), "This paper is not in the kit.", "paper_id")
    changed = measured_paper(known, proof)
    act.says(f"use what a proof shows of {known.name}")
    unchanged(known.name, known, changed, base)
    act.keep(changed)
    return changed
