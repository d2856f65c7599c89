"""A film's own page: what was done with it, what it is good for, which films one uses."""

from typing import Any

from starlette.testclient import TestClient

from tests.api.test_api import refusal

Json = dict[str, Any]


def page(client: TestClient, film: str = "film-harle") -> Json:
    answer = client.get(f"/api/films/{film}")
    assert answer.status_code == 200, answer.text
    told: Json = answer.json()
    return told


def cell(told: Json, recipe: str, ei: float) -> Json:
    (row,) = (each for each in told["grid"]["rows"] if each["recipe_id"] == recipe)
    found: Json = row["cells"][told["grid"]["eis"].index(ei)]
    return found


def test_the_film_on_trial(client: TestClient) -> None:
    """Two developers, three indices: pictures, words, minutes; how far it prints, what it costs."""
    told = page(client)
    assert told["facts"] == ["EI 200", "reciprocity: exponent 1.28 from 1 s", "2.80 a picture"]
    assert told["grid"]["ei_texts"] == ["EI 100", "EI 200", "EI 400"]
    bracket = cell(told, "recipe-harle-mq", 200)
    assert (bracket["pieces"], bracket["word"]) == (5, "3 of 5 print")
    assert bracket["picture_ids"][0] == "scan-trial-1B"  # the best of them
    assert bracket["minutes_text"] == "9 min 30 s"
    assert cell(told, "recipe-harle-mq", 400) is None
    pushed = cell(told, "recipe-harle-fine", 400)
    assert (pushed["grain"], pushed["word"]) == ("coarse grain", "thin shadows, flat highlights")
    far = {each["id"]: each["latitudes"] for each in told["developers"]}
    assert far == {
        "recipe-harle-mq": ["Tip in mist, post: prints from −1 to +1"],
        "recipe-harle-fine": [],
    }


def test_a_push_that_came_out_flat_moves_its_own_minutes(client: TestClient) -> None:
    """What its page offers is used at one touch: the row of its index, not that of N; undone it is
    as it was; on another version it is not written over."""
    told = page(client)
    offered = cell(told, "recipe-harle-fine", 400)
    assert offered["use_text"] == "Use 19 min 50 s at EI 400"
    version = next(each["version"] for each in told["developers"] if "fine" in each["id"])
    body = {"ei": 400, "minutes": offered["use_minutes"]}
    path = "/api/films/recipes/recipe-harle-fine/rating"
    before = next(
        each
        for each in client.get("/api/kit").json()["recipes"]
        if each["id"] == "recipe-harle-fine"
    )["recipe"]
    stale = client.post(f"{path}?base=other", json=body)
    assert stale.status_code == 409
    changed = client.post(f"{path}?base={version}", json=body).json()["recipe"]
    assert changed["points"] == before["points"]
    assert [each["minutes"] for each in changed["ratings"]] == [12, 14, offered["use_minutes"]]
    assert cell(page(client), "recipe-harle-fine", 400)["advice"] == ""
    label = client.get("/api/journal").json()["undo"]["label"]
    assert label == "use 19 min 50 s at EI 400 in Fine-grain metol, trays"
    client.post("/api/undo")
    assert page(client) == told
    wrong = client.post(f"{path}?base={version}", json={"ei": 400, "minutes": 0})
    assert refusal(wrong, 422)["field"] == "minutes"


def test_films_of_the_last_year(client: TestClient) -> None:
    """The most used first, those that were not with none; what was put away is not there."""
    client.post("/api/undo")
    films = {each["id"]: each for each in client.get("/api/kit").json()["films"]}
    client.put("/api/kit/films/film-velm", json={**films["film-velm"], "archived": True})
    used = page(client)["used"]
    assert {each["film_id"] for each in used} == {"film-harle", "film-ostrel", "film-corvane"}
    counts = [each["count"] for each in used]
    assert counts == sorted(counts, reverse=True)


def test_a_film_nobody_has(client: TestClient) -> None:
    assert refusal(client.get("/api/films/none"), 404)["message"] == (
        "This film is not in the kit any more."
    )


def test_nothing_developed_yet(client: TestClient) -> None:
    """A film that was never developed has an empty grid."""
    assert page(client, "film-velm")["grid"]["rows"] == []
