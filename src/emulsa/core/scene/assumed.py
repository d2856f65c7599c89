"""What a scene assumes until it is said: it answers first and asks later.

A reading alone has an exposure: film of EI 100, a lens like most, a middle aperture. What is so
assumed stands in a soft word, and becomes real when it is named. Common practice, no source.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from emulsa.core.corrections.bellows import Infinity
from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import Law, NoFailure, PowerLaw
from emulsa.core.errors import Impossible, OutOfRange
from emulsa.core.kit.bag import KitLens
from emulsa.core.kit.films import Film, unnamed_film
from emulsa.core.light.marks import f_number, mark_text
from emulsa.core.numbers import plain
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.written import length_text

EI = 100.0
APERTURE = "8"
UNCORRECTED_TO_S = 1.0  # no film is known to fail before; beyond it the answer is flagged
LAW = NoFailure(until_s=UNCORRECTED_TO_S, unknown=True)
LENS = Lens(focal_length_mm=150, widest="5.6", smallest="64")

# Laws to begin with, by how one says them: typical, no source.
TYPICAL_LAWS: dict[str, Law] = {
    "like most older films": PowerLaw(exponent=1.35),
    "like most modern films": PowerLaw(exponent=1.25),
    "hardly any up to 2 min": NoFailure(until_s=120),
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Assumed:
    """Something nobody has said yet, what is taken for it, and what to choose from."""

    what: Literal["film", "reciprocity", "lens", "aperture"]
    text: str
    choices: tuple[str, ...] = ()


def complete(scene: Scene, kit: SceneKit) -> tuple[Scene, SceneKit, tuple[Assumed, ...]]:
    """The scene and its kit with nothing missing, and what was assumed for it."""
    found: list[Assumed] = []
    film = kit.film
    if film is None:
        film = unnamed_film(scene.exposure_index or EI)
        text = "film not named" if scene.exposure_index else f"EI {plain(EI)}, assumed"
        found.append(Assumed(what="film", text=text))
    if film.law is None:
        film = replace(film, law=LAW)
        found.append(
            Assumed(what="reciprocity", text="reciprocity unknown", choices=tuple(TYPICAL_LAWS))
        )
    lens = kit.lens
    if lens is None and kit.pinhole is None:
        lens = KitLens(id="assumed", name="any lens", optics=LENS)
        # a distance or a draw counts by the focal length: which one is taken must be said
        text = "any lens"
        if scene.focus is not None and scene.focus != Infinity():
            text += f", taken as {length_text(LENS.focal_length_mm)}"
        found.append(Assumed(what="lens", text=text))
    if lens is not None and scene.aperture is None:
        scene = replace(scene, aperture=_aperture(lens.optics))
        assert scene.aperture is not None
        found.append(Assumed(what="aperture", text=f"{mark_text(scene.aperture)}, assumed"))
    return scene, replace(kit, film=film, lens=lens), tuple(found)


def with_law(film: Film, like: str) -> Film:
    """The film with a typical law; OutOfRange for no such kind, Impossible when it has its own."""
    if like not in TYPICAL_LAWS:
        known = list(TYPICAL_LAWS)
        raise OutOfRange(f"Choose from {', '.join(known)}.", field="like", allowed=known)
    if film.law is not None:
        raise Impossible(f"{film.name} has a reciprocity law; change it in Kit.", field="like")
    said = replace(film.provenance, law="typical, no source")
    return replace(film, law=TYPICAL_LAWS[like], provenance=said)


def _aperture(lens: Lens) -> str | float:
    """f/8, or the lens's mark nearest to it."""
    series = lens.aperture_series
    if lens.widest is not None and f_number(lens.widest, series) > f_number(APERTURE):
        return lens.widest
    if lens.smallest is not None and f_number(lens.smallest, series) < f_number(APERTURE):
        return lens.smallest
    return APERTURE
