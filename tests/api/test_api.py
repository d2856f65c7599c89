"""The service: the whole path of a sheet, the one error shape, and three doors to the core."""

import io
import json
import math
import re
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.api.limits import LARGEST_BODY
from emulsa.api.routing import TABLE
from emulsa.cli import main
from emulsa.core import operations, wire
from emulsa.core.kit.films import Film
from emulsa.demo import quarry
from emulsa.server import description
from emulsa.server.app import Settings, create_app
from tests.conftest import HERE, OWN

Json = dict[str, Any]


def scene_of(client: TestClient, id_: str = "scene-pool") -> Json:
    scene: Json = client.get(f"/api/scenes/{id_}").json()["scene"]
    return scene


def side_of(client: TestClient, where: str) -> Json:
    sides = [side for each in client.get("/api/holders").json() for side in each["sides"]]
    found: Json = next(side for side in sides if side["where"] == where)
    return found


def refusal(response: Any, status: int) -> Json:
    """The one error shape: code, message, perhaps field and allowed, and nothing else."""
    assert response.status_code == status, response.text
    body: Json = response.json()
    assert set(body) == {"error"}
    assert set(body["error"]) <= {"code", "message", "field", "allowed"}
    assert body["error"]["message"].endswith((".", "?"))
    error: Json = body["error"]
    return error


@pytest.mark.parametrize("name", sorted(operations.TABLE))
def test_three_doors_give_one_answer(
    client: TestClient,
    name: str,
    monkeypatch: pytest.MonkeyPatch,
    capsys: pytest.CaptureFixture[str],
) -> None:
    """HTTP, the command line and the core's own text door agree to the byte; a shell of its own
    asks for the refusal."""
    text = json.dumps(operations.TABLE[name].example)
    core = operations.answer_json(name, text)
    assert client.post(f"/api/compute/{name}", content=text).text == core
    monkeypatch.setattr(sys, "stdin", io.TextIOWrapper(io.BytesIO(text.encode())))
    assert main(["compute", name]) == 0
    assert capsys.readouterr().out.strip() == core


def test_three_doors_give_one_refusal(client: TestClient) -> None:
    """422 and exit 2 with the same body."""
    text = '{"kind": "ev", "ev": 25}'
    http = client.post("/api/compute/reading", content=text)
    command = [sys.executable, "-m", "emulsa", "compute", "reading"]
    shell = subprocess.run(command, input=text, capture_output=True, text=True, check=False)
    assert shell.returncode == 2
    assert json.loads(shell.stdout) == http.json()
    assert refusal(http, 422) == {
        "code": "out-of-range",
        "message": "EV must be between −8 and 24; this is 25.",
        "field": "ev",
        "allowed": [-8, 24],
    }


def test_the_documents_examples_run(client: TestClient) -> None:
    """Every operation is in OpenAPI with typed request, typed answer and an example that runs."""
    document = client.get("/api/openapi.json").json()
    for name in operations.TABLE:
        route = document["paths"][f"/api/compute/{name}"]["post"]
        content = route["requestBody"]["content"]["application/json"]
        assert client.post(f"/api/compute/{name}", json=content["example"]).status_code == 200
        answer = route["responses"]["200"]["content"]["application/json"]["schema"]
        for each in answer.get("anyOf", [answer]):  # one record, or one of several
            assert each["$ref"].rsplit("/", 1)[1] in document["components"]["schemas"]
    text = json.dumps(document)
    assert "$defs" not in text
    for reference in {part.split('"')[0] for part in text.split('"$ref": "')[1:]}:
        assert reference.removeprefix("#/components/schemas/") in document["components"]["schemas"]


def test_what_the_page_knows_is_what_is_answered(document: Json) -> None:
    """The module that is written for the page sends every question and act where it is answered."""
    text = description.module()
    calls = json.loads(text.split("CALLS = ")[1].split(" as const")[0])
    for name, (method, path) in calls.items():
        assert document["paths"][path][method.lower()]["operationId"] == name
    links = {route.name for route in TABLE.values() if route.media_type and route.method == "GET"}
    own = {each for each in TABLE if not each.startswith("tried.")}  # other tests add some
    assert {name.replace("_", ".", 1) for name in calls} == own - links
    begun = json.loads(text.split("BEGUN: ")[1].split(" = ")[1].split(";\n")[0])
    assert begun["films"] | {"id": "f", "name": "F"} == wire.encode(
        Film(id="f", name="F", exposure_index=100.0)
    )


def test_the_description_is_written_where_it_changed(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """What would be as it is is left alone: nothing is built in vain."""
    monkeypatch.setattr(description, "document", lambda: {"openapi": "as it is"})
    description.write(tmp_path / "service")
    files = {each: each.stat().st_mtime_ns for each in (tmp_path / "service").iterdir()}
    assert {each.name for each in files} == {"openapi.json", "service.ts"}
    (tmp_path / "service" / "service.ts").write_text("old")
    description.write(tmp_path / "service")
    assert (tmp_path / "service" / "service.ts").read_text("utf-8") == description.module()
    document = tmp_path / "service" / "openapi.json"
    assert document.stat().st_mtime_ns == files[document]


@pytest.fixture
def whole(folder: Path) -> Iterator[TestClient]:
    """The service with its built page."""
    app = create_app(Settings(folder, caretaker=False))
    with TestClient(app, base_url=HERE, headers=OWN) as opened:
        yield opened


@pytest.mark.parametrize("path", ["/docs", "/redoc", "/openapi.json"])
def test_no_room_is_shown_where_a_description_is_looked_for(whole: TestClient, path: str) -> None:
    """Neither the page nor a description of somebody else's shape."""
    assert whole.get("/kit").text.startswith("<!doctype html>")
    answer = whole.get(path)
    assert answer.status_code == 404
    assert answer.json()["error"]["code"] == "not-found"


def test_the_description_is_read_with_what_is_shipped(whole: TestClient) -> None:
    """Its page names only files of the service's own, and each is there."""
    page = whole.get("/api/docs")
    assert page.headers["content-type"].startswith("text/html")
    named = re.findall(r'(?:src|href)="([^"]+)"', page.text)
    assert len(named) == 3
    for each in named:
        assert each.startswith("/api/docs/")
        assert whole.get(each).status_code == 200
    assert "/api/openapi.json" in whole.get("/api/docs/begin.js").text
    assert whole.get("/api/docs/begin.py").status_code == 404


BAD: list[tuple[str, Any, int, str, str | None]] = [
    ("/api/compute/reading", "{", 422, "unreadable", None),
    ("/api/compute/reading", '{"kind":"ev","ev":NaN}', 422, "out-of-range", "ev"),
    ("/api/compute/reading", '{"kind":"ev","ev":9,"mood":1}', 422, "unknown-field", "mood"),
    ("/api/compute/bellows", '{"optics":{"kind":"lens","focal_length_mm":150},"focus":{"kind":"subject","distance_mm":100}}', 422, "out-of-range", "focus.distance_mm"),
    ("/api/compute/bellows", '{"optics":{"kind":"lens","focal_length_mm":150},"focus":{"kind":"draw","draw_mm":-1}}', 422, "out-of-range", "focus.draw_mm"),
    ("/api/compute/nothing", "{}", 404, "not-found", None),
    ("/api/holders/load", '{"id":"l","film_id":"film-velm","sides":"2A"}', 409, "impossible", "side"),
    ("/api/holders/load", '{"id":"l","film_id":"film-velm","sides":"77"}', 422, "unreadable", "sides"),
    ("/api/holders/load", '{"id":"l","film_id":"none","sides":"6"}', 404, "not-found", "film_id"),
    ("/api/holders/unload", '{"sides":"1A"}', 409, "impossible", "box"),
    ("/api/holders/unload", '{"sides":"6A"}', 409, "impossible", "side"),
    ("/api/exposures", '{"id":"e","scene_id":"none","piece_id":"sheet-2A"}', 404, "not-found", "scene_id"),
    ("/api/exposures", '{"id":"e","scene_id":"scene-pool","piece_id":"none"}', 404, "not-found", "piece_id"),
    ("/api/exposures", '{"id":"e","scene_id":"scene-pool","piece_id":"sheet-1A"}', 409, "impossible", "side"),
    ("/api/exposures", '{"id":"e","scene_id":"scene-pool","piece_id":"sheet-5A"}', 409, "impossible", "piece_id"),
    ("/api/exposures", '{"id":"e","scene_id":"scene-pool","piece_id":"sheet-2A","time":-3}', 422, "out-of-range", "time"),
    ("/api/outings/none/scenes", '{"id":"s","title":"x"}', 404, "not-found", "id"),
    ("/api/outings/outing-quarry/scenes", '{"id":"s","title":""}', 422, "unreadable", "title"),
    ("/api/undo", '{"action_id":1}', 409, "impossible", None),
    ("/api/undo", "{}", 422, "missing", "action_id"),
]  # fmt: skip


@pytest.mark.parametrize(("path", "body", "status", "code", "field"), BAD)
def test_bad_input(
    client: TestClient, path: str, body: str, status: int, code: str, field: str | None
) -> None:
    """Each with its status, code and field; nothing is written by any of them."""
    before = client.get("/api/holders").text + client.get("/api/outings").text
    error = refusal(client.post(path, content=body), status)
    assert (error["code"], error.get("field")) == (code, field)
    assert client.get("/api/holders").text + client.get("/api/outings").text == before
    assert client.get("/api/journal").json()["undo"] is None


def test_bodies_have_a_ceiling(client: TestClient) -> None:
    """10 MB are refused at the door, whether the length is said or the body streams."""
    big = b'{"kind":"ev","ev":' + b"1" * (10 * LARGEST_BODY) + b"}"
    assert refusal(client.post("/api/compute/reading", content=big), 413)["code"] == "too-large"
    streamed = client.post(
        "/api/compute/reading", content=(big[k : k + 65536] for k in range(0, len(big), 65536))
    )
    assert refusal(streamed, 413)["code"] == "too-large"


def test_a_scene_that_contradicts_its_kit_is_not_kept(client: TestClient) -> None:
    """An aperture the lens lacks, an unknown film: refused, and the kept scene stays."""
    scene = scene_of(client)
    error = refusal(client.put("/api/scenes/scene-pool", json={**scene, "aperture": "4"}), 422)
    assert error["field"] == "aperture"
    assert error["allowed"] == ["f/5.6", "f/64"]
    assert refusal(client.put("/api/scenes/scene-pool", json={**scene, "film_id": "x"}), 422)
    assert refusal(client.put("/api/scenes/other", json=scene), 422)["field"] == "id"
    assert scene_of(client) == scene


def test_an_unfinished_scene_is_kept_and_says_what_is_next(client: TestClient) -> None:
    """Without a reading there is nothing to say but that."""
    scene = {**scene_of(client), "readings": []}
    assert client.put("/api/scenes/scene-pool", json=scene).status_code == 200
    solution = client.post("/api/scenes/solve", json={"scene": scene}).json()
    assert solution["answer"] is None
    assert solution["problem"]["field"] == "readings"
    assert solution["falls"] == solution["assumed"] == []


def test_a_film_without_a_law(client: TestClient) -> None:
    """It answers as metered, says that it is not corrected, and can be exposed on."""
    film = {"id": "film-new", "name": "Unknown", "exposure_index": 50, "law": None}
    assert client.put("/api/kit/films/film-new", json=film).status_code == 200
    scene = {**scene_of(client), "film_id": "film-new"}
    client.put("/api/scenes/scene-pool", json=scene)
    solution = client.post("/api/scenes/solve", json={"scene": scene}).json()
    assert [each["text"] for each in solution["assumed"]] == ["reciprocity unknown"]
    assert solution["answer"]["corrected_s"] == solution["answer"]["metered_s"]
    client.post("/api/holders/load", json={"id": "l", "film_id": "film-new", "sides": "6A"})
    given = {"id": "e", "scene_id": "scene-pool", "piece_id": "l-6A"}
    assert client.post("/api/exposures", json=given).status_code == 200
    assert side_of(client, "6A")["state"] == "exposed"


def test_a_film_without_a_recipe(client: TestClient) -> None:
    """The exposure is worked out all the same; the missing time is said."""
    law = {"kind": "power", "exponent": 1.3}
    film = {"id": "film-new", "name": "Bare", "exposure_index": 50, "law": law}
    client.put("/api/kit/films/film-new", json=film)
    draft = {"scene": scene_of(client), "edits": [{"kind": "film", "film_id": "film-new"}]}
    solution = client.post("/api/scenes/solve", json=draft).json()
    assert solution["answer"]["set"]["seconds"] > 0
    assert solution["development"] is None
    assert "no recipe for Bare" in solution["development_problem"]


def test_the_path_of_a_sheet(client: TestClient) -> None:
    """From one typed line to the darkroom: begun, read, placed, exposed, grouped with its time."""
    scene = client.post(
        "/api/outings/outing-quarry/scenes", json={"id": "new", "title": "Tramway"}
    ).json()
    version = client.get("/api/scenes/new").json()["version"]
    for number, text in enumerate(
        ["film corvane", "lens 150", "f/32", "9 shade III", "15 frost", "filter red", "draw 30"]
    ):
        read = client.post(
            "/api/scenes/line", json={"scene": scene, "text": text, "reading_id": f"r{number}"}
        ).json()
        url = f"/api/scenes/new/edits?base={version}"
        kept = client.post(url, json={"edits": read["edits"]}).json()
        scene, version = kept["scene"], kept["version"]
    assert (read["says"], read["falls_on"]) == ("focus 30 mm past infinity", "")
    assert client.get("/api/scenes/new").json()["scene"] == scene
    solution = client.post("/api/scenes/solve", json={"scene": scene}).json()
    assert solution["placement"] == "shadow on III"
    # N−1 is exposed at its own EI 80: 2.5 / 4 · 8 · 1.44 = 7.2 s, to the power of 1.31
    assert solution["answer"]["set"]["text"] == "13 s"
    assert solution["answer"]["corrected_s"] == pytest.approx(13.28, abs=0.005)
    (row,) = (each for each in solution["answer"]["ledger"] if each["step"] == "ei")
    assert (row["label"], row["stops_text"]) == ("N−1 at EI 80", "+⅓")
    (keep,) = (each for each in solution["fixes"] if each["about"] == "ei")
    assert keep["label"] == "Keep EI 100"
    kept = {"scene": scene, "edits": keep["edits"]}
    undone = client.post("/api/scenes/solve", json=kept).json()
    assert undone["answer"]["set"]["text"] == "10 s"  # 5.76 s to the power of 1.31
    assert [each["label"] for each in undone["fixes"]][-1] == "Expose N−1 at EI 80"
    assert solution["development"]["minutes"] == pytest.approx(6.8333333)

    given = {"id": "e", "scene_id": "new", "piece_id": "sheet-2B", "time": 14}
    logged = client.post("/api/exposures", json=given).json()
    assert logged["seconds"] == 14
    assert logged["error_stops"] == pytest.approx(math.log2(14 / 13.28) / 1.31, abs=0.01)
    assert refusal(client.post("/api/exposures", json=given), 409)  # another act is another sheet
    assert (side_of(client, "2B")["state"], side_of(client, "2B")["n_text"]) == ("exposed", "N−1")
    groups = client.get("/api/darkroom", params={"temperature_c": 22}).json()["groups"]
    group = next(each for each in groups if any(s["where"] == "2B" for s in each["sheets"]))
    assert (group["film_name"], group["n_text"]) == ("Corvane 100", "N−1")
    assert group["time"]["minutes"] == pytest.approx(6.8333333 * 0.8352702, rel=1e-5)

    assert client.post("/api/undo").json()["label"] == "expose 2B on Tramway"
    assert side_of(client, "2B")["state"] == "loaded"
    assert client.post("/api/redo").status_code == 200
    assert side_of(client, "2B")["state"] == "exposed"


def test_an_exposure_is_put_right_later(client: TestClient) -> None:
    """Time, aperture, N, recipe and note; the plan it was made with stays as it was."""
    known = client.get("/api/scenes/scene-winding-house").json()["exposures"][0]
    ledger = client.get(f"/api/log/{known['id']}").json()["ledger"]
    correction = {"time": "1/2", "aperture": "22", "n": -2, "recipe_id": "recipe-corvane-stain"}
    url = f"/api/exposures/{known['id']}"
    changed = client.put(url, json=correction).json()
    # the plan exposed N−1 at EI 80, a third of a stop more
    assert changed["error_stops"] == pytest.approx(-math.log2(100 / 80))
    assert (changed["seconds"], changed["n"]) == (0.5, -2)
    assert client.get(f"/api/log/{known['id']}").json()["ledger"] == ledger
    assert (
        refusal(client.put(url, json={**correction, "aperture": "4"}), 422)["field"] == "aperture"
    )
    assert refusal(client.put(url, json={**correction, "time": "1/7"}), 422)["field"] == "time"
    assert refusal(client.put("/api/exposures/none", json=correction), 404)
    groups = client.get("/api/darkroom").json()["groups"]
    assert any(each["n_text"] == "N−2" and each["time"]["minutes"] == 45 for each in groups)


@pytest.mark.parametrize("query", [{"temperature_c": 28}, {"temperature_f": 50}])
def test_a_temperature_nobody_trusts_refuses_the_times_only(
    client: TestClient, query: Json
) -> None:
    """Film, runs and what is to be judged stay in sight; each time is refused with the range."""
    room = client.get("/api/darkroom", params=query).json()
    usual = client.get("/api/darkroom").json()
    assert [each["sheets"] for each in room["groups"]] == [
        each["sheets"] for each in usual["groups"]
    ]
    assert (room["runs"], room["to_judge"]) == (usual["runs"], usual["to_judge"])
    assert {each["time"] is None for each in room["groups"]} == {True}
    says = "between 18 and 27 °C (64.4 to 80.6 °F)"
    assert all(says in each["problem"] for each in room["groups"])
    assert refusal(client.get("/api/darkroom?temperature_c=warm"), 422)["field"] == "temperature_c"


def test_fahrenheit_is_the_same_darkroom(client: TestClient) -> None:
    """68 °F is 20 °C."""
    celsius = client.get("/api/darkroom", params={"temperature_c": 20}).json()
    assert client.get("/api/darkroom", params={"temperature_f": 68}).json() == celsius


def test_loading_is_one_action(client: TestClient) -> None:
    """All the sides or none; a request handed in twice loads once; undo empties them again."""
    loading = {"id": "l", "film_id": "film-velm", "sides": "5B 6"}
    assert client.post("/api/holders/load", json=loading).status_code == 200
    assert client.post("/api/holders/load", json=loading).json()["ids"] == []
    assert [side_of(client, each)["state"] for each in ("5B", "6A", "6B")] == ["loaded"] * 3
    mixed = {"id": "m", "film_id": "film-velm", "sides": "6"}
    assert refusal(client.post("/api/holders/load", json=mixed), 409)
    assert client.post("/api/undo").json()["label"] == "load 5B 6 with Velm 25"
    assert [side_of(client, each)["state"] for each in ("5B", "6A", "6B")] == ["empty"] * 3


def test_holders_are_numbered_once(client: TestClient) -> None:
    """A second holder 3 is refused; a holder with film stays on the board."""
    twice = {"id": "h", "number": 3}
    assert refusal(client.put("/api/holders/h", json=twice), 409)["field"] == "number"
    assert client.put("/api/holders/h", json={"id": "h", "number": 7}).status_code == 200
    assert client.delete("/api/holders/h").status_code == 200
    assert refusal(client.delete("/api/holders/holder-1"), 409)
    assert refusal(client.delete("/api/holders/h"), 404)


RECORDS: list[tuple[str, Json]] = [
    ("films", {"id": "n", "name": "Film", "exposure_index": 64}),
    ("recipes", {"id": "n", "film_id": "film-velm", "name": "Recipe", "recipe": {}}),
    ("cameras", {"id": "n", "name": "Camera"}),
    ("lenses", {"id": "n", "name": "Lens", "optics": {"kind": "lens", "focal_length_mm": 210, "widest": "5.6", "smallest": "64"}}),
    ("pinholes", {"id": "n", "name": "Hole", "optics": {"kind": "pinhole", "diameter_mm": 0.3, "distance_mm": 75}}),
    ("filters", {"id": "n", "name": "Filter", "filter": {"stops": 1}}),
    ("meters", {"id": "n", "name": "Meter", "calibration": {"k": 14}}),
]  # fmt: skip


@pytest.mark.parametrize(("kind", "record"), RECORDS)
def test_kit_records(client: TestClient, kind: str, record: Json) -> None:
    """Kept, read back, changed, refused without a name, deleted, and undone."""
    url = f"/api/kit/{kind}/n"
    assert client.put(url, json=record).status_code == 200
    assert client.put(url, json={**record, "note": "changed"}).json()["note"] == "changed"
    kept = next(each for each in client.get("/api/kit").json()[kind] if each["id"] == "n")
    assert (kept["name"], kept["note"]) == (record["name"], "changed")
    assert refusal(client.put(url, json={**record, "name": " "[:0]}), 422)["field"] == "name"
    assert refusal(client.put(f"/api/kit/{kind}/m", json=record), 422)["field"] == "id"
    assert client.delete(url).status_code == 200
    assert refusal(client.delete(url), 404)["code"] == "not-found"
    client.post("/api/undo")
    assert any(each["id"] == "n" for each in client.get("/api/kit").json()[kind])


def test_what_is_used_stays(client: TestClient) -> None:
    """Film in a holder, an exposed scene, an outing with scenes: refused with the reason."""
    assert "still used" in refusal(client.delete("/api/kit/films/film-velm"), 409)["message"]
    assert refusal(client.delete("/api/scenes/scene-adit"), 409)
    assert refusal(client.delete("/api/outings/outing-quarry"), 409)
    assert client.delete("/api/scenes/scene-pool").status_code == 200
    assert refusal(client.get("/api/scenes/scene-pool"), 404)
    client.post("/api/undo")
    assert scene_of(client)["title"] == quarry.POOL.title


def test_an_empty_house(empty_client: TestClient) -> None:
    """A new user's service answers every room, empty."""
    for path in ("/api/outings", "/api/holders", "/api/rolls", "/api/stock", "/api/pieces/ready"):
        assert empty_client.get(path).json() == []
    darkroom = empty_client.get("/api/darkroom").json()
    assert (darkroom.pop("temperature_c"), darkroom.pop("degrees")) == (20, "20")
    assert not any(darkroom.values())
    assert empty_client.get("/api/kit").json()["films"] == []
    made = empty_client.put("/api/outings/o", json={"id": "o", "title": "First", "day": ""})
    assert made.status_code == 200
    assert refusal(empty_client.put("/api/outings/o", json={"id": "p", "title": "x"}), 422)
    assert empty_client.delete("/api/outings/o").status_code == 200


def test_every_answer_is_guarded(client: TestClient) -> None:
    """The headers that keep the page to itself."""
    headers = client.get("/api/health").headers
    assert "default-src 'self'" in headers["content-security-policy"]
    assert headers["x-content-type-options"] == "nosniff"
