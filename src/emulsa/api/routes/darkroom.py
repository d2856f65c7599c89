"""The darkroom's film: what waits, grouped with its times, what is in a run, what to judge."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.darkroom import WAITING_AT_ONCE, Tanking, tankful_of, waiting
from emulsa.api.views.runs import PieceLine, RunView, piece_lines, run_view
from emulsa.api.views.slips import slips
from emulsa.core.darkroom.acts.deciding import Deciding, decide
from emulsa.core.darkroom.groups import Group, groups, time_of
from emulsa.core.darkroom.together import Mate, Tanked, mates
from emulsa.core.darkroom.waiting import Undecided
from emulsa.core.data.development import BATH_C
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development import temperature
from emulsa.core.development.choice import Choice
from emulsa.core.development.recipes import Recipe
from emulsa.core.development.time_answer import AnyCelsius, AnyFahrenheit, DevelopmentAnswer
from emulsa.core.exposing.slip import Slip
from emulsa.core.film.acts.judging import judge as judged
from emulsa.core.film.judgement import Judgement
from emulsa.core.limits import Id
from emulsa.core.written import degrees_text
from emulsa.store import exposures, films, pieces
from emulsa.store import runs as store

routes = Routes("darkroom", "/api/darkroom")

JUDGED_AT_ONCE = 200  # negatives to judge that are shown until some are judged


@dataclass(frozen=True)
class DarkroomView:
    """Everything the darkroom has to do with film today.

    ``temperature_c`` is the developer's, for which the times hold, ``degrees`` the same in the
    photographer's unit, ``refused`` why there are none; ``undecided`` are rolls and strips that
    wait for their one development to be chosen; ``slips`` how sheets that wait are drawn, by their
    exposures. ``not_shown`` sheets wait besides: of very many
    only the latest are shown.
    """

    temperature_c: float
    degrees: str
    refused: str
    groups: tuple[Group, ...]
    undecided: tuple[Undecided, ...]
    slips: dict[str, Slip]
    runs: tuple[RunView, ...]
    to_judge: tuple[PieceLine, ...]
    not_shown: int


@dataclass(frozen=True, kw_only=True)
class Trial:
    """A choice to be weighed for a piece of waiting film: at a temperature in one scale or the
    other, in a tank and from bottles if they are named."""

    piece_id: Id
    choice: Choice
    temperature_c: AnyCelsius | None = None
    temperature_f: AnyFahrenheit | None = None
    tank_id: Id | None = None
    bottle_ids: tuple[Id, ...] = ()


@routes.question("")
def read(
    db: Db, temperature_c: AnyCelsius | None = None, temperature_f: AnyFahrenheit | None = None
) -> DarkroomView:
    """Exposed film by kind, recipe and N, at 20 °C unless told; open runs; what to judge.

    A temperature outside the range refuses the times, by name, and nothing else.
    """
    at_c = temperature.given(temperature_c, temperature_f, BATH_C)
    by_id = {each.id: each for each in films.films(db)}
    recipes = {each.id: each for each in films.recipes(db)}
    film, undecided = waiting(db)
    return DarkroomView(
        temperature_c=at_c,
        degrees=degrees_text(at_c),
        refused=_refused(
            at_c, {by_id[each.film_id].kind for each in film if each.film_id in by_id}
        ),
        groups=groups(film, by_id, recipes, at_c),
        undecided=undecided,
        slips=slips(db, [each.exposure_id for each in film]),
        runs=tuple(run_view(db, each) for each in store.open_runs(db)),
        to_judge=piece_lines(db, pieces.latest_in_state(db, "developed", JUDGED_AT_ONCE)),
        not_shown=max(0, pieces.count_sheets(db, "exposed") - WAITING_AT_ONCE),
    )


def _refused(at_c: float, kinds: set[FilmKindName | None]) -> str:
    """Why no film that waits can be timed at a temperature; nothing where some can."""
    said = [temperature.refusal(Recipe(), at_c, kind) for kind in kinds or {None}]
    return said[0] if all(said) else ""


@routes.question("/weigh", "POST")
def weigh(db: Db, trial: Trial) -> DevelopmentAnswer:
    """What a choice would do to waiting film; nothing is kept."""
    film, _ = waiting(db)
    said = "This film does not wait any more."
    found = next((each for each in film if trial.piece_id in each.piece_ids), None)
    wanted = replace(needed(found, said, "piece_id"), choice=trial.choice)
    recipe = needed(
        films.recipe(db, wanted.chosen_recipe_id), "Choose a recipe first.", "choice.recipe_id"
    )
    own = needed(films.film(db, wanted.film_id), "This film is not in the kit.", "film_id")
    tankful = tankful_of(db, tanking(trial), recipe.recipe)
    return time_of(wanted, own, recipe, tankful)


@routes.question("/mates", "POST")
def find_mates(db: Db, trial: Trial) -> tuple[Mate, ...]:
    """Film of another kind that may go into one tank with a piece that waits: for how long, and
    what each gives up."""
    film, _ = waiting(db)
    said = "This film does not wait any more."
    found = next((each for each in film if trial.piece_id in each.piece_ids), None)
    wanted = needed(found, said, "piece_id")
    recipe = films.recipe(db, wanted.chosen_recipe_id)
    tanked = Tanked(
        {each.id: each for each in films.films(db)},
        {each.id: each for each in films.recipes(db)},
        tankful_of(db, tanking(trial), recipe.recipe if recipe else Recipe()),
    )
    return mates(wanted, film, tanked)


def tanking(trial: Trial) -> Tanking:
    """Where a trial would be developed."""
    at_c = temperature.given(trial.temperature_c, trial.temperature_f, BATH_C)
    return Tanking(at_c, trial.tank_id, trial.bottle_ids)


@routes.act("POST", "/choices", says_over=True)
def decide_over(act: Act, deciding: Deciding) -> tuple[str, ...]:
    """Keep what is decided over the development of waiting film; an empty choice goes back to the
    plan. The ids of what it changed."""
    chosen = deciding.choice.recipe_id
    recipe = films.recipe(act.db, chosen)
    if chosen:
        needed(recipe, "This recipe was not found.", "choice.recipe_id")
    ids = tuple(dict.fromkeys(deciding.piece_ids))
    found = pieces.of_ids(act.db, ids)
    said = "This sheet is no longer in the log."
    outcome = decide(deciding, [needed(found.get(each), said, "piece_ids") for each in ids], recipe)
    act.carry_out(outcome)
    changed = {each.id for each in outcome.kept if hasattr(each, "id")}
    return tuple(each for each in ids if each in changed)


@routes.act("PUT", "/judgements/{id}")
def judge(act: Act, id: str, base: str, judgement: Judgement) -> Judgement:  # noqa: A002
    """Keep what a negative shows; the best of a bracket is one."""
    own_id(id, judgement)
    piece = needed(pieces.piece(act.db, id), "This sheet is no longer in the log.")
    others = store.judgements(act.db, [*exposures.bracket_pieces(act.db, id), id])
    known = others.pop(id, None)
    wanted = judgement if known is None else replace(judgement, at=known.at)
    unchanged("This judgement", known, wanted, base)
    act.carry_out(judged(piece, judgement, known, others.values(), act.moment))
    return store.judgements(act.db, [id])[id]
