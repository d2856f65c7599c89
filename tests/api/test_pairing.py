"""On a network only paired devices are let in; on this machine nothing changes."""

import re
import threading
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.api.pairing import (
    COOKIE,
    EVERY_S,
    GOOD_FOR_S,
    GUESSES,
    TRIES,
    Pairing,
    digest_of,
)
from emulsa.core.errors import Impossible, Unreadable
from emulsa.server.addresses import is_network, reached_at
from emulsa.server.app import Settings, create_app
from emulsa.store import backups, restoring
from emulsa.store.database import connect
from emulsa.store.folder import DATABASE
from emulsa.store.transactions import Unwritable
from tests.api.test_api import refusal
from tests.conftest import OWN
from tests.effort import MUCH

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
    """A few wrong ones cost whoever guesses the next minute, and nobody else; very many cost the
    code; an old one is worth nothing."""
    clock = Clock()
    pairing = Pairing(lambda: connect(folder / DATABASE), active=True, clock=clock)
    code = pairing.code()
    for _ in range(TRIES):
        with pytest.raises(Unreadable):
            pairing.pair("WRONG", "", "now", "192.168.7.66")
    with pytest.raises(Impossible, match="wait a minute"):
        pairing.pair(code, "", "now", "192.168.7.66")
    assert pairing.knows(pairing.pair(code, "Tablet", "now", "192.168.7.20"), "later")
    code = pairing.code()
    clock.now += EVERY_S + 1
    assert pairing.knows(pairing.pair(code, "Guesser", "now", "192.168.7.66"), "later")
    code = pairing.code()
    for number in range(GUESSES):
        with pytest.raises(Unreadable):
            pairing.pair("WRONG", "", "now", f"10.0.{number // 250}.{number % 250}")
    with pytest.raises(Unreadable):
        pairing.pair(code, "", "now")
    code = pairing.code()
    clock.now += GOOD_FOR_S + 1
    with pytest.raises(Unreadable):
        pairing.pair(code, "", "now")
    assert pairing.code() != code
    assert pairing.knows(pairing.pair(pairing.code(), "", "now"), "later")
    with closing(connect(folder / DATABASE)) as db:
        kept = db.execute("SELECT name, seen_at FROM device ORDER BY rowid").fetchall()
    assert tuple(kept[2]) == ("Device 3", "later")


def test_who_was_turned_out_stays_out(app: Any, folder: Path) -> None:
    """At another service on the same folder, too, at once."""
    other = create_app(Settings(folder, caretaker=False, network=THERE))
    here = device(app)
    assert pair(here, code_of(app)).status_code == 303
    there = device(other)
    there.cookies.update(here.cookies)
    assert [each.get("/api/health").status_code for each in (here, there)] == [200, 200]
    with closing(connect(folder / DATABASE)) as db:
        (id_,) = db.execute("SELECT id FROM device").fetchone()
    app.state.pairing.turn_out(id_)
    assert [each.get("/api/health").status_code for each in (here, there)] == [401, 401]
    other.state.pairing.close()


def test_a_restore_lets_nobody_in(folder: Path, tmp_path: Path) -> None:
    """Turned out after the backup was made, a device stays out; one that was let in since then
    stays in; in another folder nobody is."""
    pairing = Pairing(lambda: connect(folder / DATABASE), active=True)
    out, stays = (pairing.pair(pairing.code(), each, "now") for each in ("Out", "Stays"))
    backups.pack(folder, tmp_path / "backup.zip")
    with closing(connect(folder / DATABASE)) as db:
        (id_,) = db.execute("SELECT id FROM device WHERE name = 'Out'").fetchone()
    pairing.turn_out(id_)
    late = pairing.pair(pairing.code(), "Late", "now")
    pairing.close()
    for target in (folder, tmp_path / "elsewhere"):
        restoring.restore(target, tmp_path / "backup.zip", "20260201-100000")
    after = Pairing(lambda: connect(folder / DATABASE), active=True)
    assert [after.knows(each, "later") for each in (out, stays, late)] == [False, True, True]
    after.close()
    with closing(connect(tmp_path / "elsewhere" / DATABASE)) as db:
        assert db.execute("SELECT count(*) FROM device").fetchone()[0] == 0


def test_turned_out_while_others_ask(folder: Path) -> None:
    """By eight hands at once, again and again: who is out is out, who is in is in."""
    pairing = Pairing(lambda: connect(folder / DATABASE), active=True)
    stays = pairing.pair(pairing.code(), "Stays", "now")
    wrong: list[Any] = []
    over = threading.Event()

    def ask() -> None:
        while not over.is_set():
            if not pairing.knows(stays, "later"):
                wrong.append("turned out")

    hands = [threading.Thread(target=ask) for _ in range(8)]
    for each in hands:
        each.start()
    for _ in range(20 * MUCH):
        goes = pairing.pair(pairing.code(), "Goes", "now")
        assert pairing.knows(goes, "later")
        with closing(connect(folder / DATABASE)) as db:
            (id_,) = db.execute("SELECT id FROM device WHERE name = 'Goes'").fetchone()
        pairing.turn_out(id_)
        assert not pairing.knows(goes, "later")
    over.set()
    for each in hands:
        each.join()
    assert wrong == []
    pairing.close()


@pytest.mark.parametrize("path", ["/emulsa.crt", "/" + "x" * 300, "/field/a/" + "x" * 300])
def test_odd_addresses_show_nothing(app: Any, path: str) -> None:
    """Without a certificate there is none to look at; a name too long for a disk is no fault."""
    assert device(app).get(path).status_code == 401
    inside = device(app)
    assert pair(inside, code_of(app)).status_code == 303
    assert inside.get(path).status_code in (200, 404)


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
