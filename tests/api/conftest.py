"""The tests of the routes are asked of the service, and of a carried copy in the browser's runtime."""

import json
from collections.abc import Iterator
from inspect import signature
from pathlib import Path
from typing import Any
from zlib import crc32

import pytest
from starlette.testclient import TestClient

from emulsa.server import description
from tests.conftest import HERE, OWN, Client
from tests.effort import MUCH
from tests.field.runtime import Runtime, copied
from tests.shared import once

# What they test is in both; the others are of what only the service has: who may come in, papers,
# the document of the service, jobs in threads, pictures looked at, files on the disk.
IN_BOTH = (
    "bad_input evening film_in_hand light log said merging mixing outings practice refusals undo"
    " whole_exposure"
).split()
WAITS = "waits for home"
CARRIED_PART = 4  # one of so many every day


def pytest_generate_tests(metafunc: pytest.Metafunc) -> None:
    names = signature(metafunc.function).parameters
    if (
        "client" in metafunc.fixturenames
        and metafunc.module.__name__.rsplit("test_", 1)[-1] in IN_BOTH
        and not {"folder", "db", "monkeypatch"} & set(names)
    ):
        metafunc.parametrize("client", ["home", "carried"], indirect=True)


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    """Of what is asked of a carried copy, too, a part every day: its rules are the service's."""
    kept, left = [], []
    for item in items:
        of = getattr(item, "callspec", None)
        carried = of is not None and of.params.get("client") == "carried"
        daily = MUCH > 1 or crc32(item.nodeid.encode()) % CARRIED_PART == 0
        (left if carried and not daily else kept).append(item)
    config.hook.pytest_deselected(items=left)
    items[:] = kept


@pytest.fixture(scope="session")
def document(tmp_path_factory: pytest.TempPathFactory) -> Any:
    """What can be asked and done, described; it takes seconds to make."""

    def described(made: Path) -> None:
        (made / "openapi.json").write_text(json.dumps(description.document()))

    return json.loads((once(tmp_path_factory, "document", described) / "openapi.json").read_text())


@pytest.fixture(scope="session")
def laid(demo_built: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    return copied(demo_built, tmp_path_factory.mktemp("carried") / "log.sqlite3")


@pytest.fixture(scope="session")
def runtime(laid: Path) -> Iterator[Runtime]:
    found = Runtime(laid)
    yield found
    found.close()


class Away(Client):
    """A client of a carried copy: what waits for home is not asked there."""

    def request(self, method: str, url: Any, **more: Any) -> Any:
        answer = super().request(method, url, **more)
        if answer.status_code == 409 and WAITS in answer.text:
            pytest.skip("waits for home")
        return answer


@pytest.fixture
def client(request: pytest.FixtureRequest) -> Iterator[TestClient]:
    """The service, or a carried copy."""
    if getattr(request, "param", "home") == "home":
        yield request.getfixturevalue("served")
        return
    runtime: Runtime = request.getfixturevalue("runtime")
    runtime.lay(request.getfixturevalue("laid"))
    with Away(runtime, base_url=HERE, headers=OWN) as away:
        yield away
