"""What the tests share: a real database with the demo outing, and a client over it."""

import gc
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from hypothesis import settings
from starlette.testclient import TestClient

from emulsa.demo.quarry import build
from emulsa.server.app import Settings, create_app
from emulsa.store import database
from tests import databases
from tests.effort import some
from tests.shared import once

HERE, OWN = "http://127.0.0.1", {"X-Emulsa": "1"}  # what the application's own page sends

gc.set_threshold(100_000, 20, 20)  # what tests make lives shortly: looked through less often

settings.register_profile("house", deadline=None, derandomize=True, max_examples=some(25, 100))
settings.load_profile("house")


# What takes longest begins first, and with one worker: what such tests share is made once, and no
# worker is left with them at the end.
LONG = ("test_carried.py", "test_runtime.py")


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The long ones first; the others stay in their order."""
    items.sort(key=lambda item: LONG.index(item.path.name) if item.path.name in LONG else len(LONG))


@pytest.fixture(scope="session")
def demo_built(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo outing as it is when it is built, to be copied and left as it is."""
    return once(tmp_path_factory, "demo", build)


@pytest.fixture
def folder(tmp_path: Path, demo_built: Path) -> Path:
    """A data folder holding the demo outing; beside it a test may lay others."""
    laid = tmp_path / "log"
    # another worker may look into the demo meanwhile: what SQLite lays beside it comes and goes
    beside = shutil.ignore_patterns("*-wal", "*-shm")
    shutil.copytree(demo_built, laid, ignore=beside)
    return laid


@pytest.fixture
def db(folder: Path) -> Iterator[database.Connection]:
    """A connection to the demo outing."""
    connection = database.connect(Settings(folder).database)
    yield connection
    connection.close()


class Client(TestClient):
    """A client that says what the page always says, unless the test says it.

    An id of its own with every act, the version a change is made on (the one that is kept), and the
    action that undo is meant for.
    """

    def request(self, method: str, url: Any, **more: Any) -> Any:
        headers = {**(more.pop("headers", None) or {})}
        if (
            url in ("/api/undo", "/api/redo")
            and more.get("json") is None
            and more.get("content") is None
        ):
            next_ = self.get("/api/journal").json()[url.removeprefix("/api/")]
            more["json"] = {"action_id": next_["id"] if next_ else 0}
        if method != "GET":
            headers.setdefault("Idempotency-Key", uuid4().hex)
        if method != "PUT" or "base=" in url or more.get("params"):
            return super().request(method, url, headers=headers, **more)
        based = f"{url}{'&' if '?' in url else '?'}base="
        answer = super().request(method, based, headers=headers, **more)
        if answer.status_code == 409 and "version" in answer.json()["error"]:
            based += answer.json()["error"]["version"]
            answer = super().request(method, based, headers=headers, **more)
        return answer


@pytest.fixture
def served(folder: Path) -> Iterator[TestClient]:
    """The service over the demo outing, without the page."""
    settings = Settings(folder, page=folder / "no-page", caretaker=False)
    with Client(create_app(settings), base_url=HERE, headers=OWN) as opened:
        yield opened


@pytest.fixture
def client(served: TestClient) -> TestClient:
    """Whoever answers over the demo outing: in the tests of the routes a carried copy does, too."""
    return served


@pytest.fixture
def empty_client(tmp_path: Path) -> Iterator[TestClient]:
    """The service over a new, empty folder."""
    app = create_app(Settings(databases.lay(tmp_path / "new"), caretaker=False))
    with Client(app, base_url=HERE, headers=OWN) as opened:
        yield opened
