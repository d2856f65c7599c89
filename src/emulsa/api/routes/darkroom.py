"""The darkroom's film: what waits, grouped with its times, what is in a run, what to judge."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id
from emulsa.api.run_views import PieceLine, RunView, piece_lines, run_view
from emulsa.api.waiting import waiting_film
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.waiting import Group, groups, time_of
from emulsa.core.data.development import BATH_C
from emulsa.core.development import temperature
from emulsa.core.development.choice import Choice
from emulsa.core.development.time import DevelopmentAnswer
from emulsa.core.errors import Impossible
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.pieces import Weight, where_text
from emulsa.core.film.states import IS
from emulsa.core.limits import Id, Length
from emulsa.store import darkroom, films, journal, pieces
from emulsa.store import runs as store

router = Routes(prefix="/api/darkroom", tags=["darkroom"])


@dataclass(frozen=True)
class DarkroomView:
    """Everything the darkroom has to do with film today.

    ``temperature_c`` is the developer's, for which the times hold; ``undecided`` are rolls and
    strips that wait for their one development to be chosen.
    """

    temperature_c: float
    groups: tuple[Group, ...]
    undecided: tuple[str, ...]
    runs: tuple[RunView, ...]
    to_judge: tuple[PieceLine, ...]


@dataclass(frozen=True, kw_only=True)
class Deciding:
    """What is decided over the development of these pieces, and how much they matter when runs are
    shared; ``weight`` empty leaves that as it is."""

    piece_ids: Annotated[tuple[Id, ...], Length("Pieces of film", 1, 500)]
    choice: Choice
    weight: Weight | None = None


@dataclass(frozen=True, kw_only=True)
class Trial:
    """A choice to be weighed for a piece of waiting film, in a tank if one is named."""

    piece_id: Id
    choice: Choice
    temperature_c: float = BATH_C
    tank_id: Id | None = None


@router.get("")
def read(
    db: Db, temperature_c: float | None = None, temperature_f: float | None = None
) -> DarkroomView:
    """Exposed film by kind, recipe and N, at 20 °C unless told; open runs; what to judge."""
    if temperature_f is not None:
        at_c = temperature.allowed(temperature.celsius(temperature_f), "temperature_f")
    else:
        at_c = temperature.allowed(
            BATH_C if temperature_c is None else temperature_c, "temperature_c"
        )
    by_id = {each.id: each for each in films.films(db)}
    recipes = {each.id: each for each in films.recipes(db)}
    waiting, undecided = waiting_film(db)
    return DarkroomView(
        temperature_c=at_c,
        groups=groups(waiting, by_id, recipes, at_c),
        undecided=undecided,
        runs=tuple(run_view(db, each) for each in store.open_runs(db)),
        to_judge=piece_lines(db, pieces.in_state(db, "developed")),
    )


@router.post("/weigh", openapi_extra=documented(Trial))
def weigh(db: Db, trial: Trial = body(Trial)) -> DevelopmentAnswer:
    """What a choice would do to waiting film; nothing is kept."""
    waiting, _ = waiting_film(db)
    found = next((each for each in waiting if trial.piece_id in each.piece_ids), None)
    if found is None:
        raise NotFound("This film does not wait any more.", field="piece_id")
    wanted = replace(found, choice=trial.choice)
    recipe = films.recipe(db, wanted.chosen_recipe_id) if wanted.chosen_recipe_id else None
    film = films.film(db, wanted.film_id)
    if recipe is None or film is None:
        raise NotFound("Choose a recipe first.", field="choice.recipe_id")
    at_c = temperature.allowed(trial.temperature_c, "temperature_c")
    tank = darkroom.tank(db, trial.tank_id)
    rotary = tank is not None and plan.rotary(tank, recipe.recipe)
    return time_of(wanted, film, recipe, at_c, rotary=rotary)


@router.put("/choices", openapi_extra=documented(Deciding))
def decide(db: Db, deciding: Deciding = body(Deciding)) -> list[str]:
    """Keep what is decided over the development of waiting film; an empty choice goes back to the
    plan. The ids of what it changed."""
    at, chosen = now(), deciding.choice
    recipe = films.recipe(db, chosen.recipe_id) if chosen.recipe_id else None
    if chosen.recipe_id and recipe is None:
        raise NotFound("There is no such recipe.", field="choice.recipe_id")
    kept = None if chosen == Choice() else chosen
    changed = []
    with journal.action(db, "development decided" if kept else "development as planned", at):
        for id_ in dict.fromkeys(deciding.piece_ids):
            piece = pieces.piece(db, id_)
            if piece is None:
                raise NotFound("There is no such piece of film any more.", field="piece_ids")
            if piece.state != "exposed":
                raise Impossible(
                    f"{where_text(piece)} {IS[piece.state]}; only film that waits is decided over.",
                    field="piece_ids",
                )
            if recipe is not None and recipe.film_id != piece.film_id:
                raise Impossible(f"{recipe.name} is a recipe of another film.", field="recipe_id")
            weight = piece.weight if deciding.weight is None else deciding.weight
            wanted = replace(piece, choice=kept, weight=weight)
            if wanted != piece:
                pieces.put(db, wanted)
                changed.append(piece.id)
    return changed


@router.put("/judgements/{id}", openapi_extra=documented(Judgement))
def judge(id: str, db: Db, judgement: Judgement = body(Judgement)) -> Judgement:  # noqa: A002
    """Keep what a negative shows; judged again, the later word counts."""
    own_id(id, judgement)
    piece, at = pieces.piece(db, id), now()
    if piece is None:
        raise NotFound("There is no such piece of film any more.", field="id")
    known = store.judgements(db, [id]).get(id)
    if known is not None and replace(judgement, at=known.at) == known:
        return known
    kept = replace(judgement, at=at)
    with journal.action(db, f"{piece.label} judged", at):
        pieces.move(db, piece, "judge", at)
        store.put_judgement(db, kept)
    return kept
