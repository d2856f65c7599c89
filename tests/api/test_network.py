"""By https on a network: certificates that vouch for home networks alone, and who sees them."""

import ssl
import stat
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from cryptography import x509
from starlette.testclient import TestClient

from emulsa.server.app import Settings, create_app
from emulsa.server.certificates import certificates

NOW = datetime(2026, 1, 17, tzinfo=UTC)
NAMES = ("192.168.1.9", "loft.local", "127.0.0.1", "localhost")


def read(path: Path) -> x509.Certificate:
    return x509.load_pem_x509_certificate(path.read_bytes())


def test_what_is_made_for_a_phone(tmp_path: Path) -> None:
    """Signed by the authority; for at most 398 days, as browsers take it; for the names asked; the
    keys for nobody else to read."""
    made = certificates(tmp_path, NAMES, NOW)
    authority, server = read(made.authority), read(made.server)
    server.verify_directly_issued_by(authority)
    assert server.not_valid_after_utc - server.not_valid_before_utc < timedelta(days=398)
    names = server.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert {str(each.value) for each in names} == set(NAMES)
    for key in ("authority.key", "server.key"):
        assert stat.S_IMODE((tmp_path / "network" / key).stat().st_mode) == 0o600
    context = ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER)
    context.load_cert_chain(made.server, made.server_key)


def test_the_authority_vouches_for_homes_alone(tmp_path: Path) -> None:
    """RFC 5280, name constraints: private addresses (RFC 1918) and local names, critical; it can make
    no other authority; a public name is never put into a certificate."""
    made = certificates(tmp_path, (*NAMES, "8.8.8.8", "example.org"), NOW)
    found = read(made.authority).extensions
    bounds = found.get_extension_for_class(x509.NameConstraints)
    assert bounds.critical
    allowed = {str(each.value) for each in bounds.value.permitted_subtrees or ()}
    assert {"192.168.0.0/16", "10.0.0.0/8", "172.16.0.0/12", "local"} <= allowed
    assert not any(each.endswith("0.0.0.0/0") or each == "::/0" for each in allowed)
    basic = found.get_extension_for_class(x509.BasicConstraints)
    assert (basic.value.ca, basic.value.path_length, basic.critical) == (True, 0, True)
    names = read(made.server).extensions.get_extension_for_class(x509.SubjectAlternativeName)
    assert "example.org" not in {str(each.value) for each in names.value}


def test_made_anew_only_when_need_be(tmp_path: Path) -> None:
    """The authority stays, so that no phone must trust again; the server's is made anew for another
    address and in time before it ends."""
    first = certificates(tmp_path, NAMES, NOW)
    before = first.server.read_bytes()
    assert certificates(tmp_path, NAMES, NOW + timedelta(days=300)).server.read_bytes() == before
    later = certificates(tmp_path, NAMES, NOW + timedelta(days=370))
    assert later.server.read_bytes() != before
    moved = certificates(tmp_path, (*NAMES, "10.0.0.4"), NOW + timedelta(days=370))
    names = read(moved.server).extensions.get_extension_for_class(x509.SubjectAlternativeName)
    assert "10.0.0.4" in {str(each.value) for each in names.value}
    assert moved.fingerprint == first.fingerprint


@pytest.mark.parametrize("path", ["/api/health", "/", "/field/parts.json", "/api/carry/copy"])
def test_a_stranger_sees_the_certificate_alone(folder: Path, path: str) -> None:
    """Nothing of the log, nor what a copy runs on, before it is paired; the certificate may be
    looked at by anybody."""
    made = certificates(folder, NAMES)
    settings = Settings(
        folder, caretaker=False, network="https://192.168.1.9:8443", authority=made.authority
    )
    with TestClient(
        create_app(settings), base_url="https://192.168.1.9:8443", client=("192.168.1.7", 5000)
    ) as stranger:
        assert stranger.get(path).status_code == 401
        trusted = stranger.get("/emulsa.crt")
        assert trusted.status_code == 200
        assert trusted.content == made.authority.read_bytes()
