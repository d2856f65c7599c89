"""What can be chosen is what the core's types take: every value is offered, and no other."""

from typing import Any, get_args, get_type_hints

import pytest

from emulsa.core import wire
from emulsa.core.begun import BEGUN
from emulsa.core.bench.tablet import Target
from emulsa.core.chemistry.baths import StepKind
from emulsa.core.chemistry.dilution import Colon
from emulsa.core.chemistry.powder import PowderKind
from emulsa.core.corrections.filters import Kind
from emulsa.core.corrections.optics import Shutter
from emulsa.core.data.contrast import Colour, Subject
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.data.printing_ways import PrintedBy
from emulsa.core.development.ratings import RatingReason
from emulsa.core.exposing.bracket import Side
from emulsa.core.exposing.schools import School
from emulsa.core.exposing.sharing import ShareOf
from emulsa.core.film.formats import OwnFilmRoll
from emulsa.core.film.holders import FaultKind
from emulsa.core.film.judgement import Edge, Grain, NegativeFault, Tone
from emulsa.core.film.states import State
from emulsa.core.film.stock import Place
from emulsa.core.kit.bag import Meter
from emulsa.core.kit.darkroom import BottleKind
from emulsa.core.kit.films import FilmUse
from emulsa.core.light.marks import ApertureSeries, Series
from emulsa.core.offered import OFFERED
from emulsa.core.sensitometry.belief import Highlight, Shadow

TYPES: dict[str, Any] = {
    "states": State,
    "schools": School,
    "rating_reasons": RatingReason,
    "targets": Target,
    "series": Series,
    "aperture_series": ApertureSeries,
    "scales": get_type_hints(Meter)["scale"],
    "by_hand": get_type_hints(Shutter)["by_hand"],
    "bottles": BottleKind,
    "baths": StepKind,
    "powders": PowderKind,
    "colons": Colon,
    "filter_kinds": Kind,
    "filter_colours": Colour,
    "film_kinds": FilmKindName,
    "printed_by": PrintedBy,
    "own_films": OwnFilmRoll,
    "stock_places": Place,
    "holder_faults": FaultKind,
    "negative_faults": NegativeFault,
    "verdicts": get_type_hints(FilmUse)["verdict"],
    "highlights": Highlight,
    "grains": Grain,
    "edges": Edge,
    "gradations": Tone,
    "subjects": Subject,
    "bracket_sides": Side,
    "shares_of": ShareOf,
}
NUMBERS = {"pre_exposures", "weights", "print_zones", "sought_n", "flares"}
SOUGHT = {"sought_showed"}  # words of two types
NOT_SAID_ANY_MORE = {"at_least_full"}  # of a shadow, before heavy was a word
OWN_WORDS = {"card", "told_light", "roll_films"}  # names to begin with, which one writes over
PARTS = {"sought_states": "states", "water_baths": "baths"}  # of another list


@pytest.mark.parametrize("name", sorted(TYPES))
def test_every_value_is_offered_and_no_other(name: str) -> None:
    """An empty one leaves it open."""
    assert {*OFFERED[name], ""} == {*get_args(TYPES[name]), ""}
    assert all(OFFERED[name].values())


def test_no_list_is_left_out() -> None:
    """Each is of a type, a part of another, or numbers in words."""
    assert {*OFFERED} == {*TYPES, *PARTS, *NUMBERS, *SOUGHT, *OWN_WORDS, "shadows"}
    assert {*OFFERED["shadows"]} == {*get_args(Shadow)} - NOT_SAID_ANY_MORE
    assert list(OFFERED["weights"]) == ["3", "2", "1", "0"]
    assert OFFERED["print_zones"]["7.5"] == "VII½"
    assert (OFFERED["sought_n"]["-1.5"], OFFERED["sought_n"]["0"]) == ("N−1½", "N")
    for part, whole in PARTS.items():
        assert {*OFFERED[part]} < {*OFFERED[whole]}


@pytest.mark.parametrize("name", sorted(BEGUN))
def test_what_is_begun_lacks_only_what_is_typed(name: str) -> None:
    """With an id and a name it is a record, and the same one."""
    record = BEGUN[name]
    names = ("id", "name", "film_id", "outing_id", "scene_id", "piece_id", "title")
    sent = {
        field: "x" if field in names and value == "" else value
        for field, value in wire.encode(record).items()
    }
    if name == "powders":
        sent["parts"] = "carbonate 45"
    found = wire.encode(wire.decode(type(record), sent))
    assert {field: found[field] for field in found if field not in (*names, "parts")} == {
        field: value
        for field, value in wire.encode(record).items()
        if field not in (*names, "parts")
    }
