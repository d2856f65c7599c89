"""What the tests share: a real database with the demo outing, and a client over it."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import settings
from starlette.testclient import TestClient

from emulsa.api.app import Settings, create_app
from emulsa.demo.quarry import build
from emulsa.store import database

settings.register_profile("house", deadline=None, derandomize=True)
settings.load_profile("house")


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    """A data folder holding the demo outing."""
    build(tmp_path)
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
    with TestClient(create_app(Settings(folder, page=folder / "no-page"))) as opened:
        yield opened


@pytest.fixture
def empty_client(tmp_path: Path) -> Iterator[TestClient]:
    """The service over a new, empty folder."""
    with TestClient(create_app(Settings(tmp_path / "new"))) as opened:
        yield opened
