"""Who may speak to the service, and what it never says."""

import logging
import threading
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.server.app import Settings, create_app
from emulsa.store import records
from tests.api.test_api import refusal
from tests.conftest import HERE, OWN, Client

OUTING = {"id": "o", "title": "Elsewhere"}


@pytest.mark.parametrize("host", ["evil.example", "127.0.0.1.evil.example", "", "10.0.0.9:8017"])
def test_other_names_are_not_answered(client: TestClient, host: str) -> None:
    """A name bent to this machine (rebinding) gets nothing, not even the page."""
    for path in ("/api/outings", "/api/health", "/"):
        assert refusal(client.get(path, headers={"host": host}), 403)["code"] == "forbidden"


@pytest.mark.parametrize("host", ["localhost:8017", "127.0.0.1", "[::1]:8017", "LOCALHOST"])
def test_its_own_names_are(client: TestClient, host: str) -> None:
    """The machine's own names, with any port."""
    assert client.get("/api/health", headers={"host": host}).status_code == 200


def test_a_name_that_was_allowed(tmp_path: Path) -> None:
    """--allow-host adds a name, for a house with its own network."""
    app = create_app(Settings(tmp_path, hosts=("Darkroom.local",), caretaker=False))
    with Client(app, base_url="http://darkroom.local:8017", headers=OWN) as opened:
        assert opened.put("/api/outings/o", json=OUTING).status_code == 200


@pytest.mark.parametrize("origin", ["http://evil.example", "null", "http://127.0.0.1:9999"])
def test_pages_from_elsewhere_change_nothing(client: TestClient, origin: str) -> None:
    """Another origin is refused with and without the header; no answer allows it to ask."""
    for headers in ({"origin": origin}, {"origin": origin, "x-emulsa": ""}):
        refusal(client.put("/api/outings/o", json=OUTING, headers=headers), 403)
    asked = client.options("/api/outings/o", headers={"origin": origin})
    assert asked.status_code in (403, 405)
    assert not any(name.startswith("access-control") for name in asked.headers)
    assert client.get("/api/outings/o").status_code == 405
    assert "Elsewhere" not in client.get("/api/outings").text


@pytest.mark.parametrize("method", ["POST", "PUT", "DELETE", "PATCH"])
def test_changes_need_the_own_header(folder: Path, method: str) -> None:
    """A form on a page elsewhere cannot send it."""
    app = create_app(Settings(folder, caretaker=False))
    with Client(app, base_url=HERE) as bare:
        answer = bare.request(method, "/api/outings/o", json=OUTING)
        assert "X-Emulsa" in refusal(answer, 403)["message"]
        assert bare.get("/api/outings").status_code == 200
        own = bare.put("/api/outings/o", json=OUTING, headers={"origin": HERE, **OWN})
        assert own.status_code == 200


def test_the_page_runs_nothing_of_others(client: TestClient) -> None:
    """A strict policy without inline scripts, on every answer."""
    for path in ("/api/health", "/api/none", "/"):
        policy = client.get(path).headers["content-security-policy"]
        scripts = next(each for each in policy.split(";") if "script-src" in each)
        assert scripts.strip() == "script-src 'self'"
        assert "default-src 'none'" in policy or "default-src 'self'" in policy
        assert "frame-ancestors 'none'" in policy


@pytest.mark.parametrize(
    "path",
    ["/../emulsa.sqlite3", "/..%2femulsa.sqlite3", "/assets/..%2f..%2f..%2fpyproject.toml", "/%2e%2e/%2e%2e/etc/passwd"],
)  # fmt: skip
def test_no_path_leads_out_of_the_page(folder: Path, path: str) -> None:
    """The page's folder is all that is served."""
    page = folder / "page"
    (page / "assets").mkdir(parents=True)
    (page / "index.html").write_text("the page")
    with Client(create_app(Settings(folder, page=page, caretaker=False)), base_url=HERE) as opened:
        answer = opened.get(path)
        assert answer.status_code == 404 or answer.text == "the page"
        assert "SQLite" not in answer.text


def test_the_unforeseen_says_nothing_typed(
    folder: Path, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture
) -> None:
    """An error nobody foresaw is one sentence; the log has the place, not a word of the user."""

    def fails(*_: Any, **__: Any) -> None:
        raise RuntimeError("secret pool at dawn")

    monkeypatch.setattr(records, "carry_out", fails)
    app = create_app(Settings(folder, caretaker=False))
    with (
        Client(app, base_url=HERE, headers=OWN, raise_server_exceptions=False) as opened,
        caplog.at_level(logging.DEBUG),
    ):
        given = {"id": "e", "scene_id": "scene-pool", "piece_id": "sheet-2A", "note": "my secret"}
        error = refusal(opened.post("/api/exposures", json=given), 500)
        assert error["code"] == "unforeseen"
        assert len(opened.get("/api/scenes/scene-pool").json()["exposures"]) == 0
    said = " ".join(record.getMessage() for record in caplog.records if "emulsa" in record.name)
    assert "RuntimeError in" in said
    assert "secret" not in said + error["message"]


def test_eight_writers_lose_no_update(client: TestClient) -> None:
    """Each adds its word to the version it read and reads again when told; forty words are there."""
    client.put("/api/outings/count", json={"id": "count", "title": "Count", "note": ""})

    def now() -> tuple[dict[str, Any], str]:
        views = client.get("/api/outings?limit=100").json()
        view = next(each for each in views if each["outing"]["id"] == "count")
        return view["outing"], view["version"]

    clashes: list[int] = []

    def write(writer: int) -> None:
        for turn in range(5):
            outing, version = now()
            while True:
                counted = {**outing, "note": f"{outing['note']} {writer}.{turn}"}
                answer = client.put(f"/api/outings/count?base={version}", json=counted)
                if answer.status_code == 200:
                    break
                clashes.append(answer.status_code)
                error = answer.json()["error"]
                outing, version = error["stored"], error["version"]

    threads = [threading.Thread(target=write, args=(writer,)) for writer in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    words = now()[0]["note"].split()
    assert sorted(words) == sorted(f"{writer}.{turn}" for writer in range(8) for turn in range(5))
    assert set(clashes) <= {409}
