"""On a network only paired devices are let in; on this machine nothing changes."""

import re
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.api.addresses import is_network, reached_at
from emulsa.api.app import Settings, create_app
from emulsa.api.pairing import COOKIE, EVERY_S, GOOD_FOR_S, TRIES, Pairing, digest_of
from emulsa.core.errors import Impossible, Unreadable
from emulsa.store.database import connect
from emulsa.store.folder import DATABASE
from emulsa.store.transactions import Unwritable
from tests.api.test_api import refusal
from tests.conftest import OWN

THERE = "http://192.168.7.9:8017"
FORM = {"content-type": "application/x-www-form-urlencoded", "origin": THERE}


class Clock:
    def __init__(self) -> None:
        self.now = 1_000.0

    def __call__(self) -> float:
        return self.now


def device(app: Any, address: str = "192.168.7.20") -> TestClient:
    return TestClient(app, base_url=THERE, client=(address, 5_000), headers=OWN)


@pytest.fixture
def app(folder: Path) -> Iterator[Any]:
    made = create_app(Settings(folder, caretaker=False, network=THERE))
    with TestClient(made, base_url="http://127.0.0.1:8017", client=("127.0.0.1", 5_000)):
        yield made


def code_of(app: Any) -> str:
    code: str = app.state.pairing.code()
    return code


def pair(client: TestClient, code: str, name: str = "Phone") -> Any:
    body = f"code={code}&name={name}"
    return client.post("/pair", content=body, headers=FORM, follow_redirects=False)


@pytest.mark.parametrize(
    "path", ["/", "/log", "/assets/x.js", "/api/health", "/api/log", "/api/exchange/exposures.csv"]
)
def test_nothing_but_the_pairing_page(app: Any, path: str) -> None:
    """Whatever is asked, a device that was not paired learns nothing."""
    answer = device(app).get(path)
    assert answer.status_code == 401
    if path.startswith("/api/"):
        assert answer.json()["error"]["code"] == "forbidden"
    else:
        assert "Pair this device" in answer.text
        assert "<script" not in answer.text
    assert "Corvane" not in answer.text


def test_a_device_is_paired_once_by_its_code(app: Any) -> None:
    """The code is good once; the cookie is for this origin alone and no script's."""
    phone, code = device(app), code_of(app)
    answer = pair(phone, f"{code[:4].lower()}-{code[4:]}")
    assert (answer.status_code, answer.headers["location"]) == (303, "/")
    cookie = answer.headers["set-cookie"]
    assert re.search(rf"{COOKIE}=[\w-]{{40,}};", cookie)
    assert "HttpOnly" in cookie
    assert "SameSite=strict" in cookie
    assert phone.get("/api/log").status_code == 200
    body = {"id": "o", "title": "By phone"}
    assert phone.put("/api/outings/o?base=", json=body, headers={"idempotency-key": "k"})
    other = device(app, "192.168.7.21")
    assert "not the code" in pair(other, code).text
    assert other.get("/api/log").status_code == 401


def test_devices_are_listed_and_turned_out(app: Any) -> None:
    """From this machine or a paired device; what it sends from then on is refused, also after a
    restart. The token itself is nowhere kept."""
    phone = device(app)
    pair(phone, code_of(app), "Small%20phone")
    view = phone.get("/api/pairing").json()
    (found,) = view["devices"]
    assert (found["name"], view["active"], view["address"]) == ("Small phone", True, THERE)
    assert view["picture"].startswith("<svg")
    token = phone.cookies[COOKIE]
    assert digest_of(token) not in phone.get("/api/pairing").text
    out = phone.delete(f"/api/pairing/devices/{found['id']}").json()
    assert out["devices"] == []
    assert phone.get("/api/log").status_code == 401
    assert refusal(
        TestClient(
            app, base_url="http://127.0.0.1:8017", client=("127.0.0.1", 1), headers=OWN
        ).delete("/api/pairing/devices/none"),
        404,
    )


def test_a_paired_device_is_known_after_a_restart(app: Any, folder: Path) -> None:
    """By the digest that was kept."""
    phone = device(app)
    pair(phone, code_of(app))
    again = create_app(Settings(folder, caretaker=False, network=THERE))
    with TestClient(again, base_url=THERE, client=("192.168.7.20", 1), headers=OWN) as later:
        assert later.get("/api/log").status_code == 401
        later.cookies.set(COOKIE, phone.cookies[COOKIE])
        assert later.get("/api/log").status_code == 200
    assert phone.cookies[COOKIE].encode() not in (folder / DATABASE).read_bytes()


@pytest.mark.parametrize(
    ("base", "address", "status"),
    [
        ("http://127.0.0.1:8017", "127.0.0.1", 200),
        ("http://localhost:8017", "::1", 200),
        (THERE, "127.0.0.1", 401),  # a proxy on this machine speaks for others
        ("http://127.0.0.1:8017", "192.168.7.20", 401),
        ("http://evil.example:8017", "192.168.7.20", 403),
    ],
)
def test_this_machine_needs_no_pairing(app: Any, base: str, address: str, status: int) -> None:
    """Only when the connection and the name both are this machine's."""
    client = TestClient(app, base_url=base, client=(address, 1), headers=OWN)
    assert client.get("/api/log").status_code == status
    forwarded = client.get("/api/log", headers={"x-forwarded-for": "127.0.0.1"})
    assert forwarded.status_code == status


def test_a_page_elsewhere_cannot_pair(app: Any) -> None:
    """Another origin is refused, and a form without one."""
    phone, code = device(app), code_of(app)
    for origin in ("http://evil.example", "null"):
        answer = phone.post("/pair", content=f"code={code}", headers={**FORM, "origin": origin})
        assert answer.status_code == 403
    bare = {"content-type": FORM["content-type"]}
    assert phone.post("/pair", content=f"code={code}", headers=bare).status_code == 403
    assert pair(phone, code).status_code == 303
    assert "&lt;b&gt;" in device(app).get("/pair?code=<b>").text


def test_codes_are_guessed_in_vain(folder: Path) -> None:
    """A few wrong ones cost the code and the next minute; an old one is worth nothing."""
    clock = Clock()
    pairing = Pairing(lambda: connect(folder / DATABASE), active=True, clock=clock)
    code = pairing.code()
    for _ in range(TRIES):
        with pytest.raises(Unreadable):
            pairing.pair("WRONG", "", "now")
    with pytest.raises(Impossible, match="Wait a minute"):
        pairing.pair(code, "", "now")
    clock.now += EVERY_S + 1
    with pytest.raises(Unreadable):
        pairing.pair(code, "", "now")
    code = pairing.code()
    clock.now += GOOD_FOR_S + 1
    with pytest.raises(Unreadable):
        pairing.pair(code, "", "now")
    assert pairing.code() != code
    assert pairing.knows(pairing.pair(pairing.code(), "", "now"), "later")
    with closing(connect(folder / DATABASE)) as db:
        (kept,) = db.execute("SELECT name, seen_at FROM device").fetchall()
    assert tuple(kept) == ("Device 1", "later")


def test_a_store_that_takes_nothing_keeps_no_device_out(
    folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """When it was seen cannot be kept on a full disk; the device is let in all the same."""
    pairing = Pairing(lambda: connect(folder / DATABASE), active=True)
    token = pairing.pair(pairing.code(), "Phone", "now")

    def full(*_: object) -> None:
        raise Unwritable("The disk is full.")

    monkeypatch.setattr("emulsa.api.pairing.paired.seen", full)
    assert pairing.knows(token, "later")
    assert not pairing.knows("another", "later")


def test_where_it_is_reached() -> None:
    """An address of one's own stays; one for all is this machine's towards the network."""
    assert reached_at("192.168.7.9", 8017) == THERE
    assert reached_at("fe80::1", 80) == "http://[fe80::1]:80"
    assert re.fullmatch(r"http://[\w.-]+:8017", reached_at("0.0.0.0", 8017))
    assert [is_network(each) for each in ("::1", "::", "study.local", "10.0.0.1")] == [
        False,
        True,
        True,
        True,
    ]
