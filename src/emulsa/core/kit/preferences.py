"""How one photographer works: the school, the zones, the weights, the checklist and the sounds."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.loading import ListKey
from emulsa.core.data.printing_ways import PrintedBy
from emulsa.core.exposing.penalties import Weights
from emulsa.core.exposing.schools import Habits, School
from emulsa.core.limits import Length, Within
from emulsa.core.written import Written

Step = Annotated[str, Length("A step", 1, 80)]
LoadingStep = Annotated[str, Length("A step of a list", 1, 120)]
HandFactor = Annotated[float, Within("The factor of holding by hand", 0.125, 16)]
TimeIso = Literal["film", "100"]

APERTURE = "Shutter closed, aperture set"
HOLDER = "Holder in, right side to the lens"
SLIDE = "Slide out; wait until the camera has settled"
CHECKLIST = (APERTURE, "Lens cap off, filter on", HOLDER, SLIDE)
AFTER = "Slide back, exposed side out"


@dataclass(frozen=True, kw_only=True, slots=True)
class Sounds:
    """What the clock of a hand-timed exposure makes heard."""

    start: bool = True
    each_ten: bool = False
    last_five: bool = True
    end: bool = True


@dataclass(frozen=True, kw_only=True, slots=True)
class Measures(Written):
    """How the photographer writes what is measured, and money."""

    currency: Annotated[str, Length("The currency", 0, 4)] = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class OwnSteps:
    """One's own steps of a list for loading film."""

    list: ListKey
    steps: Annotated[tuple[LoadingStep, ...], Length("Steps of a list", 1, 30)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Preferences:
    """Defaults of new scenes, and what stands before and during an exposure.

    ``time_iso`` is what a time read off a meter belongs to when neither the line nor the meter says
    it, ``decimal_comma`` whether 13,3 is 13.3: each asked once, kept here. ``hand_factor`` is how
    much shorter than one over the focal length one must be to hold a camera still.
    ``printed_by`` is what negatives are for. ``guide`` is
    that of a first outing, until it is put away. ``simulated_devices`` are for trying things out,
    not for real film.
    """

    school: School | None = None
    habits: Habits = Habits()
    weights: Weights = Weights()
    checklist: Annotated[tuple[Step, ...], Length("Steps of the checklist", 0, 20)] = CHECKLIST
    after: Annotated[str, Length("The step afterwards", 0, 80)] = AFTER
    loading: Annotated[tuple[OwnSteps, ...], Length("Lists of one's own", 0, 6)] = ()
    sounds: Sounds = Sounds()
    measures: Measures = Measures()
    time_iso: TimeIso | None = None
    decimal_comma: bool | None = None
    hand_factor: HandFactor = 1.0
    printed_by: PrintedBy = "diffusion"
    guide: bool = True
    simulated_devices: bool = False
