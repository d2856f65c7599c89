"""An act wakes every answer it changed: what says that it was not touched is what it was."""

import json
from random import Random
from typing import Any

from emulsa.api.acting import serve
from emulsa.api.route import Asked
from emulsa.api.routing import TABLE
from emulsa.core.errors import CoreError
from emulsa.store.watched import ANY
from tests.acts.conftest import Season
from tests.acts.doing import Hands, Request
from tests.api.test_reads import BY_PATH, asked
from tests.effort import some

KINDS_OF_ACTS = some(3, 160)  # each at its first place in the season
Answers = dict[str, tuple[Any, tuple[str, ...]]]
JOBS = "/api/exchange/jobs"


def answers(hands: Hands, questions: list[Request]) -> Answers:
    """What is answered to each, and by what it is woken; what is refused is asked again always."""
    found: Answers = {}
    for each in questions:
        body = b"" if each.body is None else json.dumps(each.body).encode()
        try:
            reply = serve(TABLE[each.name], hands.house, Asked(each.path, each.query, body))
        except CoreError:
            continue
        found[repr(each)] = (reply.content, reply.woken_by)
    return found


def test_what_an_act_changed_is_woken(season: Season, begun: Hands) -> None:
    """Every question put before and after the first act of each kind."""
    questions = [
        request
        for path, route in sorted(BY_PATH.items())
        if path != JOBS
        for request in asked(begun, route)[:2]
    ]
    assert len(questions) > 60
    places = sorted(season.first_of_each.values())
    watched = set(
        places if len(places) <= KINDS_OF_ACTS else Random(24).sample(places, KINDS_OF_ACTS)
    )
    changed = 0
    for place, each in enumerate(season.done[: max(watched) + 1]):
        before = answers(begun, questions) if place in watched else {}
        assert begun.do(each.request, each.key, each.moment) == each.answer
        if not before:
            continue
        touched = {*begun.touched(each.key), ANY}
        for question, (content, _) in answers(begun, questions).items():
            known = before.get(question)
            if known is None or touched & {*known[1]}:
                continue
            assert content == known[0], f"{each.request.name} changed {question}, unsaid"
        changed += 1
    assert changed == len(watched)
