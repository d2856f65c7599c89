"""A film test as it is kept."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core import tables
from emulsa.core.bench.tablet import FirstStops, StepStops, Tablet, Target
from emulsa.core.film.stock import month_number
from emulsa.core.limits import Day, ExposureIndex, Id, Label, Length, Name, Note, Price, Within
from emulsa.core.logged.attachment import PicturePlace
from emulsa.core.sensitometry.compare import PrintSeconds
from emulsa.core.sensitometry.curve import Curve, Density, LogH, Minutes, Net

Scratches = Literal["", "none", "black in the print", "white in the print", "both"]
Grade = Literal["", "poor", "fair", "good"]
Grain = Literal["", "fine", "medium", "coarse"]
FRAMES = Length("Frames of a strip", 1, 40)
DEVELOPMENTS = Length("Developments of a test", 0, 12)


@dataclass(frozen=True, kw_only=True, slots=True)
class Colour:
    """A patch of a colour card on this film: its density with base."""

    label: Label
    density: Density


@dataclass(frozen=True, kw_only=True, slots=True)
class Conditions:
    """How the film was exposed, as far as it must be the same for films side by side, and which
    emulsion it was: a test is of one roll or box, which ``expires`` in a month (``2027-06``)."""

    lens: Label = ""
    light: Label = ""
    emulsion: Label = ""
    expires: Label = ""
    shutter_measured: bool = False

    def __post_init__(self) -> None:
        if self.expires:
            month_number(self.expires)


@dataclass(frozen=True, kw_only=True, slots=True)
class Observed:
    """What the eye says of the film; empty where nobody has looked. ``flatness`` is how flat it
    lies in the carrier, ``price`` a sheet's."""

    grain: Grain = ""
    scratches: Scratches = ""
    flatness: Grade = ""
    sharpness: Grade = ""
    price: Price | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class WedgeSpot(PicturePlace):
    """A step of a wedge that lies beside the strip, with its known density."""

    density: Density


@dataclass(frozen=True, kw_only=True, slots=True)
class StripScan:
    """Patches laid over the scan of a strip: ``patches`` from the least exposure on, each a square
    of ``size`` of the picture's width; clear film and a wedge to measure against."""

    attachment_id: Id
    encoding: Literal["linear", "srgb"] = "srgb"
    size: Annotated[float, Within("The size of a patch", 0.002, 0.2)] = 0.02
    patches: Annotated[tuple[PicturePlace, ...], Length("Patches on the scan", 1, 60)]
    clear: PicturePlace | None = None
    wedge: Annotated[tuple[WedgeSpot, ...], Length("Wedge steps on the scan", 0, 60)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class TestStrip:
    """Film that was exposed for a development of this test; ``run_id`` once it is in a run."""

    __test__ = False

    curve_id: Id
    minutes: Minutes
    ei: ExposureIndex
    first_stops: FirstStops = -6
    step_stops: StepStops = 1
    piece_ids: Annotated[tuple[Id, ...], FRAMES]
    run_id: Id | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTest:
    """One film in one recipe, exposed alike and developed for different minutes.

    A curve may wait for its densities. ``beside`` is the test that is the reference; without one it
    is this test itself. ``others`` are compared with the reference too, all at ``match_net``.
    ``tablet`` holds the densities of an own step tablet, ``tablet_log_h`` the log H that reached
    the film beside it. ``bracket_stops`` is how far the subject was bracketed either way in thirds
    for a print of each film, ``print_s`` the time of the reference's print. ``verdict`` is in the
    photographer's own words.
    """

    id: Id
    film_id: Id
    recipe_id: Id | None = None
    title: Name
    day: Day = ""
    target: Target = ""
    tablet: Tablet = ()
    tablet_log_h: LogH | None = None
    curves: Annotated[tuple[Curve, ...], DEVELOPMENTS] = ()
    strips: Annotated[tuple[TestStrip, ...], DEVELOPMENTS] = ()
    beside: Id | None = None
    others: Annotated[tuple[Id, ...], Length("Films side by side", 0, 40)] = ()
    match_net: Net = 0.10
    bracket_stops: Annotated[float, Within("The bracket either way, in stops", 0, 6)] = 2.0
    print_s: PrintSeconds | None = None
    colours: Annotated[tuple[Colour, ...], Length("Colours of a card", 0, 40, tables.colours)] = ()
    conditions: Conditions = Conditions()
    observed: Observed = Observed()
    verdict: Note = ""
    note: Note = ""
