"""Laws of acts, over a season of every kind of them in an order nobody chose."""

import json
from random import Random
from typing import Any

from emulsa.store import journal
from tests.acts.conftest import Done, Season
from tests.acts.doing import ACTS, Answer, Hands, Request


def again(hands: Hands, done: Done) -> Answer:
    """The act handed in again, as it was."""
    return hands.do(done.request, done.key, done.moment)


def test_a_season_has_every_kind_of_act(season: Season) -> None:
    """What follows is said of all of them."""
    assert {each.request.name for each in season.done} == set(ACTS)
    assert len(season.done) >= 450


def test_undo_takes_back_exactly_and_redo_brings_exactly(season: Season, ended: Hands) -> None:
    """All the way back, picture by picture, all the way forth, and back once more."""
    pictures = _distinct([season.before, *(each.after for each in season.done)])
    for before in reversed(pictures[:-1]):
        assert ended.undo().ok
        assert ended.picture() == before
    assert ended.undo().status == 409
    for after in pictures[1:]:
        assert ended.redo().ok
        assert ended.picture() == after
    assert ended.redo().status == 409
    for _ in pictures[1:]:
        assert ended.undo().ok
    assert ended.picture() == season.before


def test_a_hand_that_changes_its_mind(season: Season, begun: Hands) -> None:
    """Acts, undos and redos in any mixture: always at one of the pictures there were."""
    dice = Random(7)
    stack, ahead = [season.before], list[Any]()
    for each in season.done:
        if again(begun, each).ok and begun.picture() != stack[-1]:
            stack.append(begun.picture())
            ahead = []
        while dice.random() < 0.45:
            if dice.random() < 0.6 and len(stack) > 1:
                assert begun.undo().ok
                ahead.append(stack.pop())
            elif ahead:
                assert begun.redo().ok
                stack.append(ahead.pop())
            assert begun.picture() == stack[-1]
    for before in reversed(stack[:-1]):
        assert begun.undo().ok
        assert begun.picture() == before


def test_acts_given_twice_are_acts_given_once(season: Season, begun: Hands) -> None:
    """Each handed in twice, and all of them once more to a service that was started anew: nothing
    is doubled, and the first answer is given again."""
    for each in season.done:
        for _ in range(2):
            assert again(begun, each) == each.answer
        assert begun.picture() == each.after
    anew = Hands(begun.folder)
    for each in season.done:
        assert again(anew, each) == each.answer
    assert anew.picture() == season.done[-1].after
    anew.close()


def test_acts_are_kept_to_be_done_again_elsewhere(
    season: Season, begun: Hands, ended_acts: list[dict[str, Any]]
) -> None:
    """By id, moment, name and request alone, in their order, in another folder: the same film."""
    files = {each.key: each.request.file for each in season.done}
    for row in ended_acts:
        asked = json.loads(row["request"])
        request = Request(
            row["name"], asked["path"], asked["query"], asked["body"], files[row["id"]]
        )
        answer = begun.do(request, row["id"], row["moment"])
        assert (answer.status, answer.content) == (row["status"], json.loads(row["answer"]))
    assert begun.picture() == season.done[-1].after


def test_what_touched_nothing_leaves_no_action(season: Season, ended: Hands) -> None:
    """As many actions as there were changes; each says what it touched."""
    actions = ended.db.execute("SELECT count(*) FROM action").fetchone()[0]
    assert actions == len(_distinct([season.before, *(each.after for each in season.done)])) - 1
    reach = journal.reach(ended.db)
    assert reach.undo is not None
    assert reach.undo.label


def _distinct(pictures: list[Any]) -> list[Any]:
    """Pictures one after the other, without those that changed nothing."""
    found = pictures[:1]
    for each in pictures[1:]:
        if each != found[-1]:
            found.append(each)
    return found
