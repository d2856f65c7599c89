"""A season of work at random: every kind of act, asked for by what there is at the moment.

``drawn`` makes a request of a kind from the state of the folder; many are refused, as they would be
for a hand that is mistaken. ``work`` goes on until so many acts were done.
"""

import json
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from io import BytesIO
from random import Random
from typing import Any

from PIL import Image

from emulsa.api.views.scenes import solution
from emulsa.core import wire
from emulsa.core.begun import BEGUN
from emulsa.core.data.drawn_scenes import DRAWN as DRAWN_SCENES
from emulsa.core.data.exercises import TOPICS
from emulsa.core.kit.starters import STARTERS
from emulsa.core.prints.record import Print
from emulsa.core.scene.assumed import TYPICAL_LAWS
from emulsa.store import outings, preferences, prints, records, rows, scenes
from emulsa.store.records import PRACTISED_SCENE
from tests.acts.doing import ACTS, Answer, Hands, Request

Json = dict[str, Any]
KITS = {plural: table.name for plural, table in records.KINDS.items()}
# What the film goes through comes often; what is done once in a life seldom.
WEIGHTS = {
    "learning.use": 16,
    "exposures.log": 8,
    "holders.load": 5,
    "rolls.load": 3,
    "runs.begin": 4,
    "runs.developed": 2,
    "rolls.take_out": 3,
    "darkroom.judge": 4,
    "exposures.log_bracket": 8,
    "outings.put": 3,
    "outings.delete": 3,
    "scenes.edit": 4,
    "scenes.begin": 2,
    "practice.go_out": 2,
    "kit.put_camera": 3,
    "pieces.name_holder": 3,
    "outings.begin": 2,
    "holders.put": 2,
    "strips.put_into_run": 8,
    "strips.expose": 4,
    "strips.take": 4,
    "kit.delete_filter": 3,
}
NEVER_YET = 8  # what was not done yet is tried more often


class Nothing(Exception):
    """There is nothing of the kind at the moment."""


@dataclass
class Looking:
    """A season's dice, and the folder they are thrown over."""

    hands: Hands
    dice: Random
    made: int = 0

    def one(self, sql: str) -> Any:
        """A value of a column, any of them."""
        found = [row[0] for row in self.hands.db.execute(sql)]
        if not found:
            raise Nothing(sql)
        return self.dice.choice(found)

    def some(self, sql: str, most: int = 3) -> list[Any]:
        found = [row[0] for row in self.hands.db.execute(sql)]
        if not found:
            raise Nothing(sql)
        return self.dice.sample(found, min(len(found), self.dice.randint(1, most)))

    def new(self, what: str) -> str:
        self.made += 1
        return f"{what}-{self.made}"

    def word(self) -> str:
        return self.dice.choice(["thaw", "icicles", "drum", "winch", "spoil heap", "leat"])

    def record(self, table: Any, id_: str) -> Any:
        return rows.one(self.hands.db, table, id_)


Drawing = Callable[[Looking], Request]
DRAWN: dict[str, Drawing] = {}


def drawn(name: str) -> Callable[[Drawing], Drawing]:
    def adding(drawing: Drawing) -> Drawing:
        DRAWN[name] = drawing
        return drawing

    return adding


def work(hands: Hands, dice: Random, acts: int) -> Iterator[tuple[Request, Answer]]:
    """Requests at random until so many acts were done, and every kind of them, if half as many more
    bring it about; each with its answer, refused ones too."""
    looking, done, never = Looking(hands, dice), 0, set(ACTS)
    weights = {name: NEVER_YET + WEIGHTS.get(name, 1) for name in ACTS}
    while done < acts or (never and done < 1.5 * acts):
        try:
            name = dice.choices(ACTS, list(weights.values()))[0]
            request = hands.based(DRAWN[name](looking))
        except Nothing:
            continue
        answer = hands.do(request)
        done += answer.ok
        if answer.ok:
            never.discard(name)
            weights[name] = WEIGHTS.get(name, 1)
        yield request, answer


def _kit_acts(plural: str, singular: str) -> None:
    @drawn(f"kit.put_{singular}")
    def put(look: Looking) -> Request:
        known = _known(look, plural)
        note = {"note": look.word()} if hasattr(known, "note") else {}
        changed = replace(known, id=look.dice.choice([known.id, look.new(singular)]), **note)
        return Request(f"kit.put_{singular}", {"id": changed.id}, body=wire.encode(changed))

    @drawn(f"kit.delete_{singular}")
    def delete(look: Looking) -> Request:
        made = f"SELECT id FROM {singular} WHERE id GLOB '{singular}-[0-9]*' OR id = 'half'"
        return Request(f"kit.delete_{singular}", {"id": look.one(made)})


def _known(look: Looking, plural: str) -> Any:
    """One there is, or the first of its kind as it is begun."""
    table = records.KINDS[plural]
    try:
        return look.record(table, look.one(f"SELECT id FROM {table.name}"))
    except Nothing:
        return replace(BEGUN[plural], id="half", name=look.word())


for _plural, _singular in KITS.items():
    _kit_acts(_plural, _singular)


@drawn("kit.add_recipes")
def _recipes(look: Looking) -> Request:
    known = look.record(records.RECIPE, look.one("SELECT id FROM recipe"))
    pair = [replace(known, id=look.new("recipe"), name=look.word()) for _ in range(2)]
    return Request("kit.add_recipes", body={"recipes": wire.encode(pair)})


@drawn("kit.add_starter")
def _starter(look: Looking) -> Request:
    chosen = look.dice.choice(STARTERS)
    return Request("kit.add_starter", {"key": chosen.key}, body={"id": look.new("set")})


@drawn("preferences.put")
def _preferences(look: Looking) -> Request:
    known = wire.encode(preferences.preferences(look.hands.db))
    return Request("preferences.put", body={**known, "after": look.word()})


@drawn("stock.put")
def _stock(look: Looking) -> Request:
    known = look.record(records.STOCK, look.one("SELECT id FROM stock"))
    id_ = look.dice.choice([known.id, look.new("box")])
    changed = replace(known, id=id_, emulsion=look.word())
    return Request("stock.put", {"id": id_}, body=wire.encode(changed))


@drawn("stock.delete")
def _no_stock(look: Looking) -> Request:
    full = "SELECT stock_id FROM piece WHERE stock_id IS NOT NULL"
    box = look.one(f"SELECT id FROM stock WHERE id NOT IN ({full})")
    return Request("stock.delete", {"id": box})


def _film_test(look: Looking) -> Any:
    return look.record(records.FILM_TEST, look.one("SELECT id FROM film_test"))


@drawn("bench.put")
def _put_test(look: Looking) -> Request:
    known = _film_test(look)
    id_ = look.dice.choice([known.id, look.new("test")])
    changed = replace(known, id=id_, verdict=look.word(), match_net=look.dice.choice([0.1, 0.3]))
    return Request("bench.put", {"id": id_}, body=wire.encode(changed))


@drawn("bench.delete")
def _no_test(look: Looking) -> Request:
    return Request(
        "bench.delete", {"id": look.one("SELECT id FROM film_test WHERE id <> 'test-corvane'")}
    )


@drawn("bench.use_times")
def _use_times(look: Looking) -> Request:
    return Request("bench.use_times", {"id": "test-corvane"})


@drawn("bench.use_textural")
def _use_textural(look: Looking) -> Request:
    return Request("bench.use_textural", {"id": "test-corvane"})


@drawn("strips.expose")
def _expose_strip(look: Looking) -> Request:
    test = look.one("SELECT id FROM film_test")
    film = look.record(records.FILM_TEST, test).film_id
    ready = (
        "SELECT piece.id FROM piece LEFT JOIN roll ON roll.id = piece.roll_id"
        f" WHERE piece.film_id = '{film}' AND piece.state = 'loaded' AND piece.in_place = 1"
        " AND (piece.roll_id IS NULL OR piece.frame = roll.next_frame)"
    )
    asked = {
        "bracket_id": look.new("strip"),
        "lens_id": "lens-150",
        "ev": 13,
        "ei": 100,
        "first_stops": -4,
        "minutes": look.dice.randint(5, 30),
        "piece_ids": look.some(ready, 1),
    }
    return Request("strips.expose", {"id": test}, body=asked)


@drawn("strips.take")
def _take_bracket(look: Looking) -> Request:
    test, bracket = look.one(
        "SELECT film_test.id || char(10) || bracket_id FROM exposure"
        " JOIN piece ON piece.id = exposure.piece_id"
        " JOIN film_test ON film_test.film_id = piece.film_id"
        " WHERE bracket_id IS NOT NULL GROUP BY film_test.id, bracket_id HAVING count(*) > 1"
    ).split("\n")
    body = {"bracket_id": bracket, "minutes": look.dice.randint(5, 60)}
    return Request("strips.take", {"id": test}, body=body)


@drawn("strips.put_into_run")
def _strip_run(look: Looking) -> Request:
    found = look.one(
        "SELECT film_test.id || char(10) || json_extract(strip.value, '$.curve_id')"
        " FROM film_test, json_each(film_test.strips) AS strip JOIN piece"
        " ON piece.id = json_extract(strip.value, '$.piece_ids[0]') AND piece.state = 'exposed'"
    )
    id_, curve = found.split("\n")
    body = {"run_id": look.new("run"), "name": look.word()}
    return Request("strips.put_into_run", {"id": id_, "curve_id": curve}, body=body)


@drawn("checks.use_shutter")
def _use_shutter(look: Looking) -> Request:
    seconds = [0.0208, look.dice.choice([0.0205, 0.0212])]
    body = {"lens_id": "lens-150", "marks": [{"mark": "1/60", "seconds": seconds}]}
    return Request("checks.use_shutter", body=body)


@drawn("checks.use_meters")
def _use_meters(look: Looking) -> Request:
    meter = look.one("SELECT id FROM meter")
    pairs = [{"trusted_ev": 9, "other_ev": look.dice.choice([8.9, 9.2])}]
    return Request(
        "checks.use_meters", body={"trusted_id": meter, "other_id": meter, "pairs": pairs}
    )


@drawn("checks.use_paper")
def _use_paper(look: Looking) -> Request:
    paper = look.one("SELECT id FROM printing_paper WHERE id = 'paper-sleet'")
    black = look.dice.choice([2.0, 2.1])
    densities = [0.06, 0.06, 0.07, 0.3, 1.1, 1.9, black, black]
    body = {"paper_id": paper, "label": "Hard filter", "target": "own tablet"}
    tablet = [0.2 * step for step in range(len(densities))]
    return Request("checks.use_paper", body={**body, "tablet": tablet, "densities": densities})


def _print(look: Looking) -> Any:
    return prints.print_(look.hands.db, look.one("SELECT id FROM print"))


@drawn("prints.begin")
def _begin_print(look: Looking) -> Request:
    body = {"id": look.new("print"), "exposure_id": look.one("SELECT id FROM exposure")}
    return Request("prints.begin", body=body)


@drawn("prints.put")
def _put_print(look: Looking) -> Request:
    exposure = look.one("SELECT id FROM exposure")
    fresh = Print(id=look.new("print"), exposure_id=exposure, title=look.word())
    known = look.hands.db.execute("SELECT id FROM print").fetchone()
    record = fresh if known is None or look.dice.random() < 0.5 else _print(look)
    changed = replace(record, note=look.word())
    return Request("prints.put", {"id": changed.id}, body=wire.encode(changed))


@drawn("prints.delete")
def _no_print(look: Looking) -> Request:
    made = "SELECT id FROM print WHERE id GLOB 'print-[0-9]*'"
    return Request("prints.delete", {"id": look.one(made)})


@drawn("prints.keep_strip")
def _keep_strip(look: Looking) -> Request:
    known = _print(look)
    strip = {"kind": "linear", "step_s": 3, "strips": 5, "chosen": look.dice.choice([2, 3.5])}
    part = known.plan.parts[0].id
    body = {"id": look.new("strip"), "part_id": part, "strip": strip}
    return Request("prints.keep_strip", {"id": known.id}, body=body)


@drawn("prints.made")
def _made(look: Looking) -> Request:
    known = _print(look)
    body = {"id": look.new("try"), "says": look.word(), "plan": wire.encode(known.plan)}
    return Request("prints.made", {"id": known.id}, body=body)


@drawn("prints.print_again")
def _again(look: Looking) -> Request:
    id_, print_id = look.one("SELECT id || char(10) || print_id FROM print_try").split("\n")
    return Request("prints.print_again", {"id": print_id}, body={"id": id_})


@drawn("prints.note")
def _note_try(look: Looking) -> Request:
    id_, print_id = look.one("SELECT id || char(10) || print_id FROM print_try").split("\n")
    notes = {"says": look.word(), "final": look.dice.random() < 0.3}
    return Request("prints.note", {"id": print_id, "try_id": id_}, body=notes)


@drawn("prints.use_reworked")
def _rework(look: Looking) -> Request:
    setting = {"aperture": look.dice.choice(["8", "11"]), "magnification": 3}
    return Request("prints.use_reworked", {"id": _print(look).id}, body={"setting": setting})


@drawn("learning.use")
def _use_learned(look: Looking) -> Request:
    recipe = look.one("SELECT recipe_id FROM run WHERE recipe_id IS NOT NULL")
    return Request("learning.use", {"id": recipe}, body={"without": []})


@drawn("learning.rate")
def _use_learned_ei(look: Looking) -> Request:
    recipe = look.one("SELECT recipe_id FROM run WHERE recipe_id IS NOT NULL")
    return Request("learning.rate", {"id": recipe}, body={"without": []})


@drawn("holders.put")
def _holder(look: Looking) -> Request:
    number = look.dice.randint(1, 12)
    known = look.hands.db.execute("SELECT id FROM holder WHERE number = ?", [number]).fetchone()
    id_ = known[0] if known else look.new("holder")
    body = {"id": id_, "number": number, "note": look.word(), "retired": look.dice.random() < 0.1}
    return Request("holders.put", {"id": id_}, body=body)


@drawn("holders.delete")
def _no_holder(look: Looking) -> Request:
    full = "SELECT holder_id FROM piece WHERE holder_id IS NOT NULL"
    empty = look.one(f"SELECT id FROM holder WHERE id NOT IN ({full})")
    return Request("holders.delete", {"id": empty})


@drawn("holders.load")
def _load(look: Looking) -> Request:
    film = look.one("SELECT id FROM film")
    boxes = look.hands.db.execute(
        "SELECT id FROM stock WHERE film_id = ? AND format = '4x5'", [film]
    ).fetchall()
    box = look.dice.choice([None, *(row[0] for row in boxes)])
    sides = " ".join(f"{look.dice.randint(1, 8)}{look.dice.choice('AB')}" for _ in range(2))
    body = {"id": look.new("load"), "film_id": film, "sides": sides, "stock_id": box}
    return Request("holders.load", body=body)


@drawn("holders.unload")
def _unload(look: Looking) -> Request:
    side = look.one("SELECT label FROM piece WHERE holder_id IS NOT NULL")
    return Request("holders.unload", body={"sides": side, "box": look.dice.choice(["", "tin"])})


@drawn("outings.put")
def _outing(look: Looking) -> Request:
    known = wire.encode(outings.outing(look.hands.db, look.one("SELECT id FROM outing")))
    id_ = look.dice.choice([known["id"], look.new("outing")])
    return Request("outings.put", {"id": id_}, body={**known, "id": id_, "title": look.word()})


@drawn("outings.delete")
def _no_outing(look: Looking) -> Request:
    bare = "SELECT id FROM outing WHERE id NOT IN (SELECT outing_id FROM scene)"
    return Request("outings.delete", {"id": look.one(bare)})


@drawn("outings.begin")
def _scene(look: Looking) -> Request:
    body = {"id": look.new("scene"), "title": look.word()}
    return Request("outings.begin", {"id": look.one("SELECT id FROM outing")}, body=body)


@drawn("outings.revisit")
def _revisit(look: Looking) -> Request:
    body = {"id": look.new("again"), "scene_id": look.one("SELECT id FROM scene")}
    return Request("outings.revisit", {"id": look.one("SELECT id FROM outing")}, body=body)


@drawn("outings.pack")
def _pack(look: Looking) -> Request:
    key = "always:" + look.dice.choice(["Tape measure", "Cable release", "Dark cloth and loupe"])
    body = {look.dice.choice(["put_in", "taken_out"]): [key]}
    return Request("outings.pack", {"id": look.one("SELECT id FROM outing")}, body=body)


def _any_scene(look: Looking) -> Any:
    return scenes.scene(look.hands.db, look.one("SELECT id FROM scene"))


@drawn("scenes.put")
def _keep_scene(look: Looking) -> Request:
    scene = wire.encode(_any_scene(look))
    return Request("scenes.put", {"id": scene["id"]}, body={**scene, "note": look.word()})


@drawn("scenes.delete")
def _no_scene(look: Looking) -> Request:
    return Request("scenes.delete", {"id": look.one("SELECT id FROM scene")})


def _spot(look: Looking) -> Json:
    """A circle somewhere in a picture, of two levels."""
    counts = [0] * 256
    counts[look.dice.randint(20, 220)] += 20
    counts[look.dice.randint(20, 220)] += 5
    return {"x": look.dice.random(), "y": look.dice.random(), "radius": 0.01, "counts": counts}


@drawn("scenes.edit")
def _edit(look: Looking) -> Request:
    scene = _any_scene(look)
    edits: list[Json] = [
        {"kind": "read", "id": look.new("reading"), "label": look.word(),
         "reading": {"kind": "ev", "ev": look.dice.randint(3, 33) / 3}},
        {"kind": "set_n", "n": look.dice.choice([None, -1, 0, 1])},
        {"kind": "film", "film_id": look.one("SELECT id FROM film")},
        {"kind": "aperture", "aperture": look.dice.choice(["16", "22", "32"])},
    ]  # fmt: skip
    if scene.readings:
        reading = look.dice.choice(scene.readings).id
        edits += [
            {"kind": "place", "reading": reading, "zone": look.dice.randint(2, 8)},
            {"kind": "drop", "id": reading},
            {"kind": "put_at", "id": reading, "spot": _spot(look)},
            {"kind": "read", "id": look.new("reading"), "label": look.word(), "spot": _spot(look),
             "reading": {"kind": "photo", "ev100": look.dice.randint(3, 15), "sigma_stops": 0.4}},
        ]  # fmt: skip
    return Request("scenes.edit", {"id": scene.id}, body={"edits": look.dice.sample(edits, 2)})


@drawn("scenes.say")
def _say(look: Looking) -> Request:
    """Over a scene that is there; kit that is not there yet is made."""
    word, zone = look.word().split()[0], look.dice.choice(["II", "III½", "V"])
    text = look.dice.choice(
        [
            f"{look.dice.randint(4, 12)} {word} {zone}",
            f"{look.dice.randint(4, 12)} 1/3 {word}; f/32",
            f"filter {word} ×4",
            f"film {word.capitalize()} ei 50",
            "f/22",
        ]
    )
    body = {"text": text, "reading_id": look.new("said")}
    return Request("scenes.say", {"id": _any_scene(look).id}, body=body)


@drawn("scenes.begin")
def _begin_scene(look: Looking) -> Request:
    """On a day there is an outing of, or on a new one; the film is in the kit, or made."""
    new = look.new("first")
    film = {"id": new, "name": look.word(), "exposure_index": 50}
    reading = {"kind": "ev", "ev": look.dice.randint(3, 33) / 3}
    edits: list[Json] = [{"kind": "read", "id": f"{new}-r", "label": "wall", "reading": reading}]
    made = look.dice.random() < 0.5
    body = {
        "id": new,
        "outing_id": f"{new}-o",
        "day": look.dice.choice(["2026-01-17", "2026-02-03"]),
        "edits": [*edits, {"kind": "film", "film_id": new}] if made else edits,
        "makes": {"films": [film] if made else []},
    }
    return Request("scenes.begin", body=body)


@drawn("scenes.like_film")
def _like_film(look: Looking) -> Request:
    scene = look.one(
        "SELECT scene.id FROM scene LEFT JOIN film ON film.id = film_id WHERE film.law IS NULL"
    )
    kind = look.dice.choice(list(TYPICAL_LAWS))
    return Request("scenes.like_film", {"id": scene}, body={"like": kind})


def _practised(look: Looking) -> Any:
    return look.record(PRACTISED_SCENE, look.one("SELECT id FROM practised_scene"))


@drawn("practice.go_out")
def _go_out(look: Looking) -> Request:
    kind = look.dice.choice(["drawn", "sun", "dusk", "own"])
    body: Json = {"id": look.new("practised"), "kind": kind, "by_hand": look.dice.random() < 0.5}
    if kind == "drawn":
        body["name"] = look.dice.choice(DRAWN_SCENES)
    if kind == "own":
        body["scene_id"] = look.one("SELECT id FROM scene")
    return Request("practice.go_out", body=body)


@drawn("practice.take_spot")
def _take_spot(look: Looking) -> Request:
    body: Json = {"reading_id": look.new("spot"), "x": look.dice.random(), "y": look.dice.random()}
    body["minutes"] = look.dice.randint(0, 30)
    return Request("practice.take_spot", {"id": _practised(look).id}, body=body)


@drawn("practice.edit_scene")
def _edit_practised(look: Looking) -> Request:
    edit: Json = look.dice.choice(
        [
            {"kind": "set_n", "n": look.dice.choice([None, -1, 0, 1])},
            {"kind": "film", "film_id": look.one("SELECT id FROM film")},
            {"kind": "name", "title": look.word()},
        ]
    )
    scene = _practised(look)
    if scene.scene.readings and look.dice.random() < 0.4:
        edit = {"kind": "drop", "id": look.dice.choice(scene.scene.readings).id}
    return Request("practice.edit_scene", {"id": scene.id}, body={"edits": [edit]})


@drawn("practice.say_scene")
def _say_practised(look: Looking) -> Request:
    text = f"{look.dice.randint(4, 12)} {look.word().split()[0]} III"
    body = {"text": text, "reading_id": look.new("said")}
    return Request("practice.say_scene", {"id": _practised(look).id}, body=body)


@drawn("practice.expose")
def _expose_practised(look: Looking) -> Request:
    shot = {
        "given_s": look.dice.choice(["1/8", "2", "1:10"]),
        "n": look.dice.choice([-1, 0, "N+1"]),
    }
    shot["minutes"] = look.dice.randint(0, 30)
    metered = look.one("SELECT id FROM practised_scene WHERE spots <> '[]'")
    return Request("practice.expose", {"id": metered}, body=shot)


@drawn("practice.again")
def _again_practised(look: Looking) -> Request:
    exposed = look.one("SELECT id FROM practised_scene WHERE exposed IS NOT NULL")
    return Request("practice.again", {"id": exposed})


@drawn("practice.delete_scene")
def _no_practised(look: Looking) -> Request:
    return Request("practice.delete_scene", {"id": look.one("SELECT id FROM practised_scene")})


@drawn("practice.delete_all")
def _no_practice(look: Looking) -> Request:
    look.one("SELECT id FROM practice_answer")
    return Request("practice.delete_all")


@drawn("practice.answer")
def _answer(look: Looking) -> Request:
    topic = look.dice.choice(TOPICS)
    typed = {"n": "N−1", "roll": "N+1"}.get(topic, look.dice.choice(["3", "9½", "1"]))
    body = {
        "id": look.new("answer"),
        "day": "2026-01-17",
        "topic": topic,
        "seed": look.dice.randint(1, 10_000),
        "level": look.dice.randint(1, 3),
        "typed": typed,
    }
    return Request("practice.answer", body=body)


@drawn("pieces.name_holder")
def _name_holder(look: Looking) -> Request:
    sheet = look.one("SELECT id FROM piece WHERE label = 'no holder'")
    holder = look.one("SELECT number FROM holder")
    return Request(
        "pieces.name_holder", {"id": sheet}, body={"side": f"{holder}{look.dice.choice('AB')}"}
    )


def _unplaced(look: Looking) -> Json:
    scene = scenes.scene(look.hands.db, look.one("SELECT DISTINCT scene_id FROM reading"))
    assert scene is not None
    plan = wire.encode(solution(look.hands.db, scene).plan)
    if plan is None:
        raise Nothing(scene.id)
    return {
        "id": look.new("exposure"),
        "piece_id": look.new("sheet"),
        "scene_id": scene.id,
        "plan": plan,
        "unplaced": True,
    }


def _given(look: Looking, piece: str) -> Json:
    film = look.hands.db.execute("SELECT film_id FROM piece WHERE id = ?", [piece]).fetchone()[0]
    fitting = look.hands.db.execute(
        "SELECT id FROM scene WHERE film_id = ? AND pin IS NOT NULL", [film]
    ).fetchall()
    if not fitting:
        raise Nothing(film)
    scene = scenes.scene(look.hands.db, look.dice.choice(fitting)[0])
    assert scene is not None
    return {
        "id": look.new("exposure"),
        "scene_id": scene.id,
        "piece_id": piece,
        "plan": wire.encode(solution(look.hands.db, scene).plan),
        "time": look.dice.choice([None, None, "20 s", "1:10"]),
        "share": look.dice.choice([1, 1, 1, 0.5]),
        "happened": look.dice.random() < 0.2,
        "note": look.word(),
    }


LOADED = """
    SELECT piece.id FROM piece LEFT JOIN roll ON roll.id = roll_id
    WHERE state = 'loaded' AND (roll.id IS NULL OR (frame = next_frame AND place = 'camera'))
"""
EXPOSED = "SELECT id FROM piece WHERE state = 'exposed'"


@drawn("exposures.log")
def _expose(look: Looking) -> Request:
    if look.dice.random() < 0.15:
        return Request("exposures.log", body=_unplaced(look))
    seldom = look.dice.random() < 0.2
    return Request("exposures.log", body=_given(look, look.one(EXPOSED if seldom else LOADED)))


@drawn("exposures.log_bracket")
def _bracket(look: Looking) -> Request:
    film = look.one("SELECT film_id FROM piece WHERE state = 'loaded' AND roll_id IS NULL")
    sheets = look.some(f"{LOADED} AND roll_id IS NULL AND piece.film_id = '{film}'", 3)
    frames = [{**_given(look, each), "share": 1, "time": None} for each in sheets]
    for stops, frame in zip((1, 0, -1), frames, strict=False):
        same = {name: frames[0][name] for name in ("scene_id", "plan")}
        frame |= {"bracket_stops": stops, **same}
    return Request("exposures.log_bracket", body={"id": look.new("bracket"), "frames": frames})


@drawn("exposures.put_right")
def _correct(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM exposure WHERE request <> '{}'")
    time, n = look.dice.choice(["12 s", "40 s"]), look.dice.choice([-1, 0])
    body = {"aperture": "32", "time": time, "n": n}
    return Request("exposures.put_right", {"id": id_}, body=body)


@drawn("attachments.attach")
def _attach(look: Looking) -> Request:
    file = BytesIO()
    shade = look.dice.randint(0, 255)
    Image.new("L", (8, 6), shade).save(file, "PNG")
    name = f"{look.word()}.png"
    taken = "SELECT scene_id FROM attachment WHERE scene_id IS NOT NULL"
    free = f"SELECT id FROM scene WHERE id NOT IN ({taken})"
    if look.dice.random() < 0.5:
        query = {"exposure_id": look.one("SELECT id FROM exposure"), "name": name}
    else:
        query = {"scene_id": look.one(free), "name": name}
    return Request("attachments.attach", {"id": look.new("scan")}, query, file=file.getvalue())


@drawn("attachments.metering")
def _metering(look: Looking) -> Request:
    settings = {"time_s": 1 / look.dice.choice([60, 955]), "aperture": 2, "iso": 100}
    body = {
        "settings": look.dice.choice([None, settings]),
        "view_deg": look.dice.choice([None, 66]),
    }
    id_ = look.one("SELECT id FROM attachment WHERE scene_id IS NOT NULL")
    return Request("attachments.metering", {"id": id_}, body=body)


@drawn("attachments.delete")
def _detach(look: Looking) -> Request:
    return Request("attachments.delete", {"id": look.one("SELECT id FROM attachment")})


@drawn("attachments.name_place")
def _name_place(look: Looking) -> Request:
    place = {"name": look.word(), "x": look.dice.random(), "y": look.dice.random(), "width": 0.2}
    id_ = look.one("SELECT id FROM attachment")
    return Request("attachments.name_place", {"id": id_}, body=place)


@drawn("attachments.forget_place")
def _forget_place(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM attachment WHERE places <> '[]'")
    row = look.hands.db.execute("SELECT places FROM attachment WHERE id = ?", (id_,)).fetchone()
    name = json.loads(row[0])[0]["name"]
    return Request("attachments.forget_place", {"id": id_}, body={"name": name})


@drawn("attachments.scanned")
def _scanned(look: Looking) -> Request:
    body = {"device": look.word(), "per_inch": look.dice.choice([None, 2400]), "raw": True}
    id_ = look.one("SELECT id FROM attachment WHERE scanned IS NULL")
    return Request("attachments.scanned", {"id": id_}, body=body)


@drawn("holders.put_list")
def _put_list(look: Looking) -> Request:
    key = look.dice.choice(["reel", "holders", "roll_120"])
    text = "\n".join(look.word() for _ in range(look.dice.randint(1, 3)))
    return Request("holders.put_list", {"key": key}, body={"text": text})


@drawn("films.rate")
def _rate_recipe(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM recipe")
    body = {"ei": look.dice.choice([100, 200, 800]), "minutes": look.dice.choice([7, 9.5])}
    return Request("films.rate", {"id": id_}, body=body)


@drawn("rolls.load")
def _roll(look: Looking) -> Request:
    body = {
        "id": look.new("roll"),
        "film_id": look.one("SELECT id FROM film"),
        "format": "6x6",
        "frames": look.dice.choice([2, 4, 6]),
        "camera_id": look.one("SELECT id FROM camera"),
        "exposure_index": look.dice.choice([None, None, 200]),
    }
    return Request("rolls.load", body=body)


def _a_roll(look: Looking) -> str:
    return str(look.one("SELECT id FROM roll"))


@drawn("rolls.put")
def _change_roll(look: Looking) -> Request:
    known = look.record(records.ROLL, _a_roll(look))
    changed = replace(known, note=look.word())
    return Request("rolls.put", {"id": known.id}, body=wire.encode(changed))


@drawn("rolls.unload")
def _no_roll(look: Looking) -> Request:
    return Request("rolls.unload", {"id": _a_roll(look)})


@drawn("rolls.advanced")
def _advanced(look: Looking) -> Request:
    return Request("rolls.advanced", {"id": look.one("SELECT id FROM roll WHERE advanced = 0")})


@drawn("rolls.skip")
def _skip(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM roll WHERE place = 'camera'")
    return Request("rolls.skip", {"id": id_})


@drawn("rolls.take_out")
def _take_out(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM roll WHERE place <> 'done'")
    return Request("rolls.take_out", {"id": id_}, body={"finished": look.dice.random() < 0.5})


@drawn("rolls.put_back")
def _put_back(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM roll WHERE place <> 'camera'")
    body = {"camera_id": look.one("SELECT id FROM camera")}
    return Request("rolls.put_back", {"id": id_}, body=body)


@drawn("rolls.cut")
def _cut(look: Looking) -> Request:
    id_ = look.one("SELECT id FROM roll WHERE place <> 'camera'")
    return Request("rolls.cut", {"id": id_}, body={"after": [look.dice.randint(1, 3)]})


@drawn("rolls.weigh")
def _weigh(look: Looking) -> Request:
    body = {"frame": look.dice.randint(1, 2), "weight": look.dice.randint(0, 3)}
    return Request("rolls.weigh", {"id": _a_roll(look)}, body=body)


@drawn("rolls.develop_for")
def _develop_for(look: Looking) -> Request:
    strip = look.one("SELECT id FROM strip")
    recipe = look.one(
        "SELECT recipe.id FROM recipe JOIN roll USING (film_id) JOIN strip ON strip.roll_id ="
        f" roll.id WHERE strip.id = '{strip}'"
    )
    body = {"n": look.dice.choice([-1, 0, 1, None]), "recipe_id": recipe}
    return Request("rolls.develop_for", {"id": strip}, body=body)


@drawn("darkroom.decide_over")
def _decide(look: Looking) -> Request:
    choice: Json = look.dice.choice([{}, {"minutes": 9, "reason": look.word()}])
    body = {"piece_ids": look.some(EXPOSED), "choice": choice, "weight": look.dice.randint(1, 3)}
    return Request("darkroom.decide_over", body=body)


@drawn("darkroom.judge")
def _judge(look: Looking) -> Request:
    piece = look.one("SELECT id FROM piece WHERE state IN ('developed', 'judged')")
    body = {
        "id": piece,
        "shadow": look.dice.choice(["none", "thin", "full", "heavy"]),
        "highlight": look.dice.choice(["flat", "full", "blocked"]),
        "best": look.dice.random() < 0.3,
    }
    return Request("darkroom.judge", {"id": piece}, body=body)


@drawn("runs.begin")
def _begin(look: Looking) -> Request:
    film = look.one("SELECT film_id FROM piece WHERE state = 'exposed'")
    try:
        waiting = look.some(f"{EXPOSED} AND film_id = '{film}' AND roll_id IS NULL", 4)
    except Nothing:
        roll = look.one("SELECT id FROM roll WHERE place = 'done'")
        waiting = look.some(f"{EXPOSED} AND roll_id = '{roll}'", 4)
    run = {
        "id": look.new("run"),
        "name": look.word(),
        "recipe_id": look.one(f"SELECT id FROM recipe WHERE film_id = '{film}'"),
        "minutes": 8,
        "bottle_ids": look.some("SELECT id FROM bottle", 2),
    }
    return Request("runs.begin", body={"run": run, "piece_ids": waiting})


OPEN_RUN = "SELECT id FROM run WHERE developed_at = ''"


@drawn("runs.keep_course")
def _went(look: Looking) -> Request:
    body = {"started_at": look.hands.moment(), "steps": [{"name": "Developer", "seconds": 480}]}
    return Request("runs.keep_course", {"id": look.one(OPEN_RUN)}, body=body)


@drawn("runs.finished")
def _finished(look: Looking) -> Request:
    body = {"started_at": look.hands.moment(), "steps": [{"name": "Developer", "seconds": 490}]}
    return Request("runs.finished", {"id": look.one(OPEN_RUN)}, body=body)


@drawn("runs.developed")
def _developed(look: Looking) -> Request:
    return Request("runs.developed", {"id": look.one(OPEN_RUN)})


@drawn("runs.leave")
def _leave(look: Looking) -> Request:
    return Request("runs.leave", {"id": look.one(OPEN_RUN)})


@drawn("mixing.clearing")
def _clearing(look: Looking) -> Request:
    fixer = look.one("SELECT id FROM bottle WHERE kind = 'fixer'")
    body = {"clearing_s": look.dice.randint(30, 60), "bottle_id": fixer}
    return Request("mixing.clearing", body=body)


@drawn("history.restore")
def _restore(look: Looking) -> Request:
    change = look.one(
        "SELECT id FROM change WHERE after IS NOT NULL AND table_name IN"
        " ('film', 'lens', 'holder', 'outing', 'scene', 'reading', 'meter', 'exposure', 'piece')"
    )
    row = look.hands.db.execute("SELECT record, action_id FROM change WHERE id = ?", [change])
    record, action = row.fetchone()
    return Request("history.restore", {"id": record}, body={"action_id": action})
