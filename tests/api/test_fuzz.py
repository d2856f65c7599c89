"""Every route of the document, called with whatever fits its schema and much that does not."""

import logging
import os
import shutil
from pathlib import Path
from typing import Any
from urllib.parse import quote

import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis import GenerationMode
from starlette.testclient import TestClient

from emulsa.server.app import Settings, create_app
from tests.conftest import HERE, OWN


@pytest.fixture(scope="module")
def house(demo_built: Path, tmp_path_factory: pytest.TempPathFactory) -> TestClient:
    """One demo for all of it: what the first calls leave behind is part of the trial."""
    folder = tmp_path_factory.mktemp("fuzzed") / "log"
    shutil.copytree(demo_built, folder, ignore=shutil.ignore_patterns("*-wal", "*-shm"))
    app = create_app(Settings(folder, caretaker=False))
    return TestClient(app, base_url=HERE, headers=OWN, raise_server_exceptions=False)


# What is there to be found: half of all calls name such records instead of random ids, in their
# address and wherever their body names another record.
KNOWN = {
    "scene": "scene-pool",
    "exposure": "exposure-1A",
    "piece": "sheet-1A",
    "outing": "outing-quarry",
    "holder": "holder-1",
    "film": "film-corvane",
    "recipe": "recipe-corvane-mq",
    "lens": "lens-150",
    "pinhole": "pinhole-box",
    "tank": "tank-four",
    "line": "line-usual",
    "stock": "box-corvane",
    "roll": "roll-tips",
    "strip": "roll-tips-1-12",
    "run": "run-shed",
    "attachment": "scan-shed",
}
EXAMPLES = int(os.environ.get("FUZZ_EXAMPLES", "1"))  # make fuzz asks for many more
ALL = EXAMPLES > 1
ODD = 3  # of so many routes one is asked what does not fit, too; all of them when there is time


def naming(value: Any) -> Any:
    """A body that names what is there."""
    if isinstance(value, list):
        return [naming(each) for each in value]
    if not isinstance(value, dict):
        return value
    found = {}
    for name, each in value.items():
        one, many = name.removesuffix("_id"), name.removesuffix("_ids")
        if name.endswith("_id") and one in KNOWN and each is not None:
            found[name] = KNOWN[one]
        elif name.endswith("_ids") and many in KNOWN and each:
            found[name] = [KNOWN[many]]
        else:
            found[name] = naming(each)
    return found


def operations() -> list[Any]:
    """Every operation the document names, in its order."""
    document = Path(__file__).parents[2] / "web" / "src" / "service" / "openapi.json"
    schema = schemathesis.openapi.from_path(str(document))
    return [each.ok() for each in schema.get_all_operations()]


OPERATIONS = operations()


@pytest.mark.parametrize("place", range(len(OPERATIONS)), ids=lambda at: OPERATIONS[at].label)
def test_no_route_fails(house: TestClient, place: int, caplog: pytest.LogCaptureFixture) -> None:
    """Whatever is sent, the answer is an answer: never 500, and never something unforeseen."""

    operation = OPERATIONS[place]
    odd = ALL or place % ODD == 0
    modes = list(GenerationMode) if odd else [GenerationMode.POSITIVE]

    @settings(
        max_examples=EXAMPLES,
        deadline=None,
        database=None,
        phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(
        st.one_of(*(operation.as_strategy(generation_mode=each) for each in modes)),
        st.none() | st.sampled_from(sorted(KNOWN.values())),
    )
    def called(case: Any, known: str | None) -> None:
        if "id" in (case.path_parameters or {}):
            own = case.body.get("id") if isinstance(case.body, dict) else None
            if isinstance(own, str) and own.isalnum():
                case.path_parameters["id"] = quote(own)  # else no PUT would get past its address
            elif known is not None:
                case.path_parameters["id"] = known
        if known is not None:
            case.body = naming(case.body)
        sent = case.as_transport_kwargs(base_url=HERE)
        answer = house.request(
            sent["method"],
            sent["url"],
            params=sent.get("params"),
            headers={**sent.get("headers", {}), "host": "127.0.0.1", **OWN},
            **({"json": sent["json"]} if "json" in sent else {"content": sent.get("data")}),
        )
        assert answer.status_code < 500, (sent, answer.text)

    called()
    assert not [each for each in caplog.records if each.levelno >= logging.ERROR]
