"""What the tests share: a real database with the demo outing, and a client over it."""

import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import settings
from starlette.testclient import TestClient

from emulsa.api.app import Settings, create_app
from emulsa.demo.quarry import build
from emulsa.store import database

HERE, OWN = "http://127.0.0.1", {"X-Emulsa": "1"}  # what the application's own page sends

settings.register_profile("house", deadline=None, derandomize=True, max_examples=100)
settings.load_profile("house")


@pytest.fixture(scope="session")
def demo_built(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo outing as it is when it is built, to be copied and left as it is."""
    built = tmp_path_factory.mktemp("demo")
    build(built)
    return built


@pytest.fixture
def folder(tmp_path: Path, demo_built: Path) -> Path:
    """A data folder holding the demo outing."""
    shutil.copytree(demo_built, tmp_path, dirs_exist_ok=True)
    return tmp_path


@pytest.fixture
def db(folder: Path) -> Iterator[database.Connection]:
    """A connection to the demo outing."""
    connection = database.connect(Settings(folder).database)
    yield connection
    connection.close()


@pytest.fixture
def client(folder: Path) -> Iterator[TestClient]:
    """The service over the demo outing, without the page."""
    settings = Settings(folder, page=folder / "no-page", caretaker=False)
    with TestClient(create_app(settings), base_url=HERE, headers=OWN) as opened:
        yield opened


@pytest.fixture
def empty_client(tmp_path: Path) -> Iterator[TestClient]:
    """The service over a new, empty folder."""
    app = create_app(Settings(tmp_path / "new", caretaker=False))
    with TestClient(app, base_url=HERE, headers=OWN) as opened:
        yield opened
