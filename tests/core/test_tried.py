"""What was done with a film: developers and indices, in words; a push moves its own minutes."""

from dataclasses import replace

import pytest

from emulsa.core.bench.tried import Tried, grid, rated, word
from emulsa.core.development.recipes import Point, Rating, Recipe
from emulsa.core.errors import Unsound
from emulsa.core.film.judgement import Judgement
from emulsa.core.kit.films import Film, FilmUse

OWN = Recipe(
    points=(Point(n=0, minutes=9, ei=200),),
    ratings=(Rating(ei=200, minutes=9), Rating(ei=400, minutes=12)),
)
RECIPES = {"soft": Recipe(), "own": OWN, "never": Recipe()}


def shot(
    name: str, ei: float = 400, highlight: str = "flat", recipe: str = "own", **more: object
) -> Tried:
    judgement = Judgement(id=name, shadow="thin", highlight=highlight)  # type: ignore[arg-type]
    plain = Tried(
        exposure_id=name,
        recipe_id=recipe,
        ei=ei,
        minutes=12,
        at=f"2026-01-0{len(name)}",
        judgement=judgement,
        picture_id=f"scan-{name}",
    )
    return replace(plain, **more)  # type: ignore[arg-type]


def test_developers_down_and_indices_across() -> None:
    """Slow indices first, developers as they are kept, those nothing was done in left out; the best
    picture first, the latest day, every time that was given."""
    best = Judgement(id="aaa", shadow="full", highlight="full", best=True, grain="coarse")
    fine = Judgement(id="a", shadow="none", highlight="full", grain="fine")
    found = grid(
        [
            shot("aaa", minutes=14, judgement=best),
            shot("aa", picture_id=None, at="2026-01-09"),
            shot("a", judgement=fine),
            shot("b", ei=64, recipe="soft", minutes=None, judgement=None),
        ],
        RECIPES,
    )
    assert found.ei_texts == ("EI 64", "EI 400")
    soft, own = found.rows
    assert (soft.recipe_id, own.recipe_id) == ("soft", "own")
    assert soft.cells[1] is None
    assert own.cells[0] is None
    first, cell = soft.cells[0], own.cells[1]
    assert first is not None
    assert (first.word, first.minutes_text, first.pieces) == ("not judged yet", "", 1)
    assert cell is not None
    assert cell.picture_ids == ("scan-aaa", "scan-a")
    assert cell.exposure_ids[0] == "aa"
    assert (cell.at, cell.pieces) == ("2026-01-09", 3)
    assert cell.minutes_text == "12 min to 14 min"
    assert cell.word == "2 of 3 print"
    assert cell.grain == "fine grain or coarse grain"


@pytest.mark.parametrize(
    ("shots", "minutes", "advice"),
    [
        ([shot("a"), shot("b")], 13.2, "flat: develop a tenth longer at this index"),
        ([shot("a", highlight="blocked")], 12 / 1.1, "blocked: develop a tenth shorter"),
        ([shot("a"), shot("b", highlight="full")], None, ""),
        ([shot("a"), shot("b", highlight="blocked")], None, ""),
        ([shot("a", bracket_stops=1.0)], None, ""),
        ([shot("a"), shot("b", minutes=9)], None, ""),
        ([shot("a", judgement=None)], None, ""),
        (
            [shot("a", judgement=Judgement(id="a", shadow="full", highlight="flat", left_out="x"))],
            None,
            "",
        ),
    ],
    ids="flat blocked full both bracketed twice unjudged left_out".split(),
)
def test_an_index_asks_for_its_own_minutes(
    shots: list[Tried], minutes: float | None, advice: str
) -> None:
    """Common practice, no source: a tenth more for flat, a tenth less for blocked, only where all
    of its own negatives at plan say so and were given one time."""
    cell = grid(shots, RECIPES).rows[0].cells[0]
    assert cell is not None
    assert cell.use_minutes == (None if minutes is None else pytest.approx(minutes))
    assert cell.advice.startswith(advice)
    assert bool(cell.advice) == bool(advice)
    assert cell.use_text.startswith("Use 13 min" if minutes == 13.2 else "")


def test_its_minutes_move_and_those_of_n_stay() -> None:
    """One row of that index, one's own; once it is used nothing more is asked."""
    changed = rated(OWN, 400, 13.2)
    assert changed.points == OWN.points
    assert changed.ratings == (
        Rating(ei=200, minutes=9),
        Rating(ei=400, minutes=13.2, origin="personal", who="its own negatives"),
    )
    assert [each.ei for each in rated(OWN, 100, 8).ratings] == [100, 200, 400]
    cell = grid([shot("a")], {"own": changed}).rows[0].cells[0]
    assert cell is not None
    assert cell.use_minutes is None


def test_one_negative_is_told_by_its_ends() -> None:
    assert word([shot("a", highlight="blocked")]) == "thin shadows, blocked highlights"


def test_each_use_is_judged_once() -> None:
    street = FilmUse(use="street", verdict="no")
    with pytest.raises(Unsound, match="Each use is judged once"):
        Film(id="a", name="b", exposure_index=100, uses=(street, replace(street, verdict="yes")))
