"""Supplies, film at a laboratory, prints by inkjet, one exposure on other films: through the
service."""

import io
from typing import Any

from pypdf import PdfReader
from starlette.testclient import TestClient

from tests.api.test_film_in_hand import ok

RUN = {"id": "away", "name": "Ridge, 1 December", "laboratory": "Ridge laboratory", "note": "uncut"}
OWN: dict[str, Any] = {
    "run": {"id": "own", "name": "Own", "recipe_id": "recipe-corvane-mq", "minutes": 8},
    "piece_ids": ["sheet-1A", "sheet-1B"],
}
SENT = {"run": RUN, "piece_ids": ["sheet-1A", "sheet-1B"]}


def test_supplies_are_told_by_what_was_used(client: TestClient) -> None:
    """The demo's four prints took four sheets of the open box; a package and bottles say how long
    they last; what is archived is left out."""
    lines = ok(client.get("/api/stock/supplies"))
    opened, closed = (each for each in lines if each["kind"] == "paper")
    assert opened["name"] == "Sleet fibre, variable, 240 × 300 mm"
    assert opened["left_text"] == "21 of 25 sheets left"
    assert closed["left_text"] == "25 of 25 sheets left"
    said = {each["name"]: each["says"] for each in lines if each["kind"] != "paper"}
    assert said["Metol–hydroquinone stock"] == "No film went through it in the last 13 weeks."
    ok(client.post("/api/darkroom/runs", json=OWN))
    ok(client.post("/api/darkroom/runs/own/developed"))
    lines = ok(client.get("/api/stock/supplies"))
    (package,) = [each["says"] for each in lines if each["kind"] == "powder"]
    # half a roll in a quarter of a year
    assert package == (
        "A package would be used in 312 weeks; it keeps 26. Mix a part of it, or buy a smaller one."
    )
    assert "rolls left" in said["Stop bath"]
    paper = next(each for each in ok(client.get("/api/kit"))["papers"] if each["boxes"])
    ok(client.put(f"/api/kit/papers/{paper['id']}", json={**paper, "archived": True}))
    lines = ok(client.get("/api/stock/supplies"))
    assert not [each for each in lines if each["kind"] == "paper"]


def test_film_goes_to_a_laboratory_and_comes_back(client: TestClient) -> None:
    """It lies in a run of that name, with a slip that says what each sheet needs; back, it is
    developed, without minutes of one's own."""
    ok(client.post("/api/darkroom/runs", json=SENT))
    (there,) = [each for each in darkroom(client)["runs"] if each["run"]["id"] == "away"]
    assert there["run"]["laboratory"] == "Ridge laboratory"
    assert there["minutes_text"] == ""
    answer = client.get("/api/darkroom/runs/away/slip.pdf")
    slip = " ".join(PdfReader(io.BytesIO(answer.content)).pages[0].extract_text().split())
    for said in ("For the laboratory", "Ridge laboratory", "1A", "Corvane 100", "N−1", "uncut"):
        assert said in slip
    ok(client.post("/api/darkroom/runs/away/developed"))
    assert not [each for each in darkroom(client)["runs"] if each["run"]["id"] == "away"]
    waits = {each["piece_id"] for each in darkroom(client)["to_judge"]}
    assert {"sheet-1A", "sheet-1B"} <= waits
    table = client.get("/api/darkroom/runs/table.csv").text
    assert "laboratory" in table.splitlines()[0]
    assert "Ridge laboratory" in table


def darkroom(client: TestClient) -> Any:
    return ok(client.get("/api/darkroom"))


def test_a_print_is_made_by_inkjet(client: TestClient) -> None:
    """Begun from a scan it has a sheet and no plan; what was made is kept with its edition."""
    begun = {"id": "ink", "exposure_id": "exposure-trial-1B", "from_scan": True}
    ok(client.post("/api/prints", json=begun))
    view = ok(client.get("/api/prints/ink"))
    assert view["print"]["inkjet"]["border_mm"] == 15
    assert view["inkjet"]["text"].startswith("Image ")
    wider = {**view["print"], "inkjet": {**view["print"]["inkjet"], "border_mm": 120}}
    drawn = ok(client.post("/api/prints/draw", json=wider))
    assert drawn["inkjet"]["trouble"].startswith("The border leaves nothing")
    line = next(each for each in ok(client.get("/api/prints"))["prints"] if each["id"] == "ink")
    assert (line["rows"], line["total_text"]) == ([], "")
    assert line["inkjet_text"] == view["inkjet"]["text"]
    ok(client.post("/api/prints/ink/tries", json={}))
    (made,) = ok(client.get("/api/prints/ink"))["tries"]
    notes = {**made["notes"], "final": True, "edition": "1 of 10"}
    ok(client.put(f"/api/prints/ink/tries/{made['id']}?base={made['version']}", json=notes))
    assert ok(client.get("/api/prints/ink"))["tries"][0]["notes"]["edition"] == "1 of 10"


def test_one_exposure_on_every_film(client: TestClient) -> None:
    """Each film of the kit by its own index; one that was put away is left out."""
    scene = ok(client.get("/api/scenes/scene-winding-house"))["scene"]
    told = {
        each["film_id"]: each["text"]
        for each in ok(client.post("/api/scenes/on-films", json=scene))
    }
    assert told["film-corvane"].startswith("f/32, 1")
    assert told["film-ostrel"] != told["film-corvane"]
    film = next(each for each in ok(client.get("/api/kit"))["films"] if each["id"] == "film-ostrel")
    ok(client.put("/api/kit/films/film-ostrel", json={**film, "archived": True}))
    left = ok(client.post("/api/scenes/on-films", json=scene))
    assert "film-ostrel" not in {each["film_id"] for each in left}


def test_what_a_filter_goes_on_is_told_with_the_kit(client: TestClient) -> None:
    """By its lenses, else by its thread."""
    kit = ok(client.get("/api/kit"))
    grey, lens = kit["filters"][0], kit["lenses"][0]
    assert lens["id"] in kit["goes_on"][grey["id"]]
    ok(client.put(f"/api/kit/lenses/{lens['id']}", json={**lens, "thread_mm": 77}))
    ok(client.put(f"/api/kit/filters/{grey['id']}", json={**grey, "thread_mm": 52}))
    goes = ok(client.get("/api/kit"))["goes_on"][grey["id"]]
    assert lens["id"] not in goes
    assert kit["lenses"][1]["id"] in goes


def test_a_logged_bracket_becomes_a_development(client: TestClient) -> None:
    """Offered with the minutes it was developed in, and no more once it is taken; undo gives it
    back."""
    test = {"id": "card", "film_id": "film-harle", "title": "Card"}
    ok(client.put("/api/bench/tests/card", json=test))
    (bracket,) = ok(client.get("/api/bench/tests/card/film"))["brackets"]
    assert bracket["says"] == "5 frames, −2 to +2, Tip in mist, post, 18 October 2025"
    assert bracket["minutes"] == 9.5
    asked = {"bracket_id": bracket["id"], "minutes": bracket["minutes"]}
    ok(client.post("/api/bench/tests/card/brackets", json=asked))
    view = ok(client.get("/api/bench/tests/card"))["test"]
    (strip,) = view["strips"]
    # its blocks stood on III: two stops under the middle
    assert (strip["first_stops"], strip["step_stops"], strip["ei"]) == (-4, 1, 200)
    assert len(strip["piece_ids"]) == 5
    assert view["curves"][0]["exposure"] == {"kind": "metered", "ei": 200}
    assert ok(client.get("/api/bench/tests/card/film"))["brackets"] == []
    ok(client.post("/api/undo"))
    assert ok(client.get("/api/bench/tests/card"))["test"]["strips"] == []
    assert len(ok(client.get("/api/bench/tests/card/film"))["brackets"]) == 1


def test_a_shutter_in_the_body_is_measured_once(client: TestClient) -> None:
    """The camera gets the times; a scene through any of its lenses is set by them; two hands that
    use one check add it once."""
    camera, body = body_of(client)
    lens = next(each for each in ok(client.get("/api/kit"))["lenses"] if each["camera_id"])
    marks = [{"mark": "1/60", "seconds": [0.0208, 0.0208]}]
    checked = {"lens_id": lens["id"], "marks": marks}
    version = ok(client.get("/api/kit"))["versions"][camera["id"]]
    used = ok(client.post(f"/api/bench/checks/shutter/use?base={version}", json=checked))
    assert used["id"] == camera["id"]
    assert used["shutter"] == {**body, "measured": [{"mark": "1/60", "seconds": 0.0208}]}
    kept = ok(client.get("/api/kit"))
    assert next(each for each in kept["lenses"] if each["id"] == lens["id"]) == lens
    other = {**checked, "marks": [{"mark": "1/60", "seconds": [0.019]}]}
    late = client.post(f"/api/bench/checks/shutter/use?base={version}", json=other)
    assert late.status_code == 409
    scene = ok(client.get("/api/scenes/scene-winding-house"))["scene"]
    on = {**scene, "lens_id": lens["id"], "aperture": "8"}
    answer = ok(client.post("/api/scenes/solve", json={"scene": on}))
    assert answer["plan"]["request"]["optics"]["shutter"]["fastest"] == "1/1000"


def body_of(client: TestClient) -> tuple[Any, Any]:
    """The demo's camera of its lenses, with a shutter put into its body."""
    kit = ok(client.get("/api/kit"))
    id_ = next(each["camera_id"] for each in kit["lenses"] if each["camera_id"])
    camera = next(each for each in kit["cameras"] if each["id"] == id_)
    body = {"fastest": "1/1000", "slowest": "1", "series": "full", "by_hand": "T", "measured": []}
    ok(client.put(f"/api/kit/cameras/{id_}", json={**camera, "shutter": body}))
    return camera, body


def test_how_still_one_holds_is_ones_own(client: TestClient) -> None:
    """Each lens says from which time, by its camera's format and one's own factor."""
    said = ok(client.get("/api/kit"))["said"]["lens-150"]
    assert said.endswith("by hand from 1/60")
    way = ok(client.get("/api/preferences"))
    ok(client.put("/api/preferences", json={**way["preferences"], "hand_factor": 4}))
    assert ok(client.get("/api/kit"))["said"]["lens-150"].endswith("by hand from 1/250")
