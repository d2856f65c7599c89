"""What can be undone says what it was: each kind of act by its own words."""

import re

import pytest

from tests.acts.conftest import Season
from tests.acts.doing import ACTS, Hands

SAID = {
    "attachments.attach": r"attach .+\.png",
    "attachments.delete": r"remove .+\.(png|tif|jpg)",
    "attachments.name_place": r"name the place .+ in .+\.(png|tif|jpg)",
    "attachments.forget_place": r"forget the place .+ in .+\.(png|tif|jpg)",
    "attachments.metering": r"change the figures of .+\.(png|jpg)",
    "attachments.scanned": r"describe the scan .+\.(png|tif|jpg)",
    "bench.delete": "delete film test .+",
    "bench.put": "save film test .+",
    "bench.use_textural": "use the tested tones of .+",
    "bench.use_times": "use tested times of .+",
    "checks.use_meters": "correct .+",
    "checks.use_paper": "use what a proof shows of .+",
    "checks.use_shutter": "use measured times of .+",
    "darkroom.decide_over": "change development|develop as planned",
    "darkroom.judge": r"judge .+",
    "exposures.log": "expose .+ on .+",
    "exposures.log_bracket": r"expose a bracket of \d+ on .+",
    "exposures.put_right": "correct an exposure",
    "films.rate": r"use .+ at EI \d+ in .+",
    "history.restore": "restore the version before: .+",
    "holders.delete": r"remove holder \d+",
    "holders.load": r"load (\d+[AB] ?)+ with .+",
    "holders.put_list": "change the steps of .+",
    "holders.put": r"save holder \d+",
    "holders.unload": r"unload (\d+[AB] ?)+( into .+)?",
    "kit.add_recipes": r"add \d+ recipes?",
    "kit.add_starter": "add .+",
    "learning.rate": "rate .+ as its negatives say",
    "learning.use": "use what negatives say of .+",
    "mixing.clearing": "test .+",
    "outings.begin": "begin scene .+",
    "outings.delete": "delete outing .+",
    "outings.pack": "pack for .+",
    "outings.put": "save outing .+",
    "outings.revisit": "plan to go back to .+",
    "pieces.name_holder": r"name the holder \d+[AB]",
    "practice.again": "do .+ again",
    "practice.answer": "answer a question of practice",
    "practice.delete_all": "delete all practice",
    "practice.delete_scene": "delete .+ of practice",
    "practice.edit_scene": "change .+ in practice",
    "practice.expose": "expose .+ in practice",
    "practice.go_out": "go out to .+",
    "practice.say_scene": "change .+ in practice",
    "practice.take_spot": "change .+ in practice",
    "preferences.put": "change preferences",
    "prints.begin": "begin print .+",
    "prints.delete": "delete print .+",
    "prints.keep_strip": "keep a strip of .+",
    "prints.made": r"keep print \d+ of .+",
    "prints.note": r"note print \d+ of .+",
    "prints.print_again": r"print \d+ of .+ again",
    "prints.put": "save print .+",
    "prints.use_reworked": "rework .+",
    "rolls.advanced": r"see roll \d+ advance",
    "rolls.cut": r"cut roll \d+",
    "rolls.develop_for": r"develop roll \d+.* for N.*|leave roll \d+.* open",
    "rolls.load": "load a roll of .+",
    "rolls.put": r"change roll \d+",
    "rolls.put_back": r"put roll \d+ back",
    "rolls.skip": r"wind roll \d+ on",
    "rolls.take_out": r"(finish|take out part-exposed) roll \d+.*",
    "rolls.unload": r"take roll \d+ out unexposed",
    "rolls.weigh": r"weigh frame \d+ of roll \d+",
    "runs.begin": "set up run .+",
    "runs.developed": "mark run .+ developed",
    "runs.finished": "mark run .+ developed|keep how run .+ went",
    "runs.keep_course": "keep how run .+ went",
    "runs.leave": "cancel run .+",
    "scenes.begin": "begin scene .+",
    "scenes.delete": "delete scene .+",
    "scenes.edit": "change scene .+",
    "scenes.like_film": "take .+ as .+",
    "scenes.put": "change scene .+",
    "scenes.say": "change scene .+",
    "stock.delete": "delete a box of film",
    "stock.put": "save a box of film",
    "strips.expose": r"expose (1 frame|\d+ frames) for .+",
    "strips.take": r"take a bracket of \d+ frames for .+",
    "strips.put_into_run": "set up run .+",
    "journal.undo": "",  # takes back, and is no action itself
    "journal.redo": "",
}


def words_of(act: str) -> str:
    """What an act of this kind is called; the kinds of kit have theirs in common."""
    if act.startswith("kit.put_"):
        return "save .+"
    return "delete .+" if act.startswith("kit.delete_") else SAID[act]


@pytest.mark.parametrize("act", ACTS)
def test_an_act_says_what_it_was(
    season: Season, ended_labels: dict[str, set[str]], act: str
) -> None:
    """In its own words, with the name of what it was done to."""
    for label in ended_labels.get(act, set()):
        assert re.fullmatch(words_of(act), label), (act, label)


def test_nearly_every_kind_has_left_its_words(ended_labels: dict[str, set[str]]) -> None:
    """Of a season only few kinds changed nothing."""
    assert len({*ACTS} - {*ended_labels}) < 8


@pytest.fixture(scope="module")
def ended_labels(season: Season) -> dict[str, set[str]]:
    """What the acts of each kind are called in the journal."""
    hands = Hands(season.ended)
    found: dict[str, set[str]] = {}
    for row in hands.db.execute(
        "SELECT act.name, action.label FROM act JOIN action ON action.id = act.action_id"
    ):
        found.setdefault(row["name"], set()).add(row["label"])
    hands.close()
    return found
