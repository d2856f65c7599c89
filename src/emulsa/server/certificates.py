"""This machine's own certificates: an authority it makes for itself, and what it shows on its
network, so that a phone can trust it without anybody else's word.

The authority may speak for addresses of private networks alone (RFC 5280, name constraints;
RFC 1918, 3927, 4193): whoever trusts it trusts it for nothing else. A browser takes a certificate
for at most 398 days; it is made anew in time, and when the machine's addresses change.
"""

from __future__ import annotations

import os
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from ipaddress import IPv4Network, IPv6Network, ip_address, ip_network
from pathlib import Path
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from cryptography import x509
    from cryptography.hazmat.primitives.asymmetric.ec import EllipticCurvePrivateKey

FOLDER = "network"
AUTHORITY, SERVER = "authority", "server"
AUTHORITY_DAYS, SERVER_DAYS, ANEW_DAYS = 3_650, 390, 30
PRIVATE = (
    "127.0.0.0/8",
    "10.0.0.0/8",
    "172.16.0.0/12",
    "192.168.0.0/16",
    "169.254.0.0/16",
    "100.64.0.0/10",  # shared between providers and homes, RFC 6598
    "192.0.2.0/24",  # for documentation, RFC 5737
    "::1/128",
    "fc00::/7",
    "fe80::/10",
)
LOCAL_NAMES = ("localhost", "local")


@dataclass(frozen=True)
class Certificates:
    """Where they lie, and the authority's fingerprint, to be compared before it is trusted."""

    authority: Path
    server: Path
    server_key: Path
    fingerprint: str


def certificates(data: Path, names: Iterable[str], now: datetime | None = None) -> Certificates:
    """The certificates of a data folder for these names and addresses, made where they are missing,
    old, or for others."""
    present = now or datetime.now(UTC)
    folder = data / FOLDER
    folder.mkdir(parents=True, exist_ok=True)
    wanted = sorted(each for each in set(names) if _is_private(each))
    authority = _read(folder / f"{AUTHORITY}.crt")
    if authority is None or not (folder / f"{AUTHORITY}.key").exists():
        authority = _make_authority(folder, present)
    server = _read(folder / f"{SERVER}.crt")
    if server is None or not _still_good(server, authority, wanted, present):
        _make_server(folder, authority, wanted, present)
    return Certificates(
        folder / f"{AUTHORITY}.crt",
        folder / f"{SERVER}.crt",
        folder / f"{SERVER}.key",
        _fingerprint(authority),
    )


def _make_authority(folder: Path, now: datetime) -> x509.Certificate:
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes
    from cryptography.hazmat.primitives.asymmetric import ec

    key = ec.generate_private_key(ec.SECP256R1())
    name = _name("Emulsa at home")
    networks: list[IPv4Network | IPv6Network] = [ip_network(each) for each in PRIVATE]
    certificate = (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(name)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))
        .not_valid_after(now + timedelta(days=AUTHORITY_DAYS))
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(_usage(signs=True), critical=True)
        .add_extension(
            x509.NameConstraints(
                permitted_subtrees=[
                    *(x509.IPAddress(each) for each in networks),
                    *(x509.DNSName(each) for each in LOCAL_NAMES),
                ],
                excluded_subtrees=None,
            ),
            critical=True,
        )
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(key.public_key()), critical=False)
        .sign(key, hashes.SHA256())
    )
    _write(folder, AUTHORITY, certificate, key)
    return certificate


def _make_server(
    folder: Path, authority: x509.Certificate, names: list[str], now: datetime
) -> None:
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes, serialization
    from cryptography.hazmat.primitives.asymmetric import ec

    signing = serialization.load_pem_private_key(
        (folder / f"{AUTHORITY}.key").read_bytes(), password=None
    )
    assert isinstance(signing, ec.EllipticCurvePrivateKey)
    key = ec.generate_private_key(ec.SECP256R1())
    certificate = (
        x509.CertificateBuilder()
        .subject_name(_name(names[0] if names else "localhost"))
        .issuer_name(authority.subject)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(days=1))
        .not_valid_after(now + timedelta(days=SERVER_DAYS))
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(_usage(signs=False), critical=True)
        .add_extension(
            x509.ExtendedKeyUsage([x509.oid.ExtendedKeyUsageOID.SERVER_AUTH]), critical=False
        )
        .add_extension(
            x509.SubjectAlternativeName([_general(each) for each in names]), critical=False
        )
        .add_extension(
            x509.AuthorityKeyIdentifier.from_issuer_public_key(signing.public_key()),
            critical=False,
        )
        .sign(signing, hashes.SHA256())
    )
    _write(folder, SERVER, certificate, key)


def _still_good(
    server: x509.Certificate, authority: x509.Certificate, names: list[str], now: datetime
) -> bool:
    from cryptography import x509

    found = server.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    held = {str(each.value) for each in found}
    in_time = server.not_valid_after_utc > now + timedelta(days=ANEW_DAYS)
    return in_time and set(names) <= held and server.issuer == authority.subject


def _is_private(name: str) -> bool:
    """Whether the authority may speak for a name or an address.

    >>> [_is_private(each) for each in ("192.168.1.9", "8.8.8.8", "loft.local", "example.org")]
    [True, False, True, False]
    """
    try:
        address = ip_address(name)
    except ValueError:
        return name in LOCAL_NAMES or name.endswith(".local")
    return any(
        address in network
        for network in map(ip_network, PRIVATE)
        if network.version == address.version
    )


def _general(name: str) -> x509.GeneralName:
    from cryptography import x509

    try:
        return x509.IPAddress(ip_address(name))
    except ValueError:
        return x509.DNSName(name)


def _name(text: str) -> x509.Name:
    from cryptography import x509

    return x509.Name([x509.NameAttribute(x509.oid.NameOID.COMMON_NAME, text)])


def _usage(signs: bool) -> x509.KeyUsage:
    from cryptography import x509

    return x509.KeyUsage(
        digital_signature=not signs,
        key_cert_sign=signs,
        crl_sign=signs,
        content_commitment=False,
        key_encipherment=False,
        data_encipherment=False,
        key_agreement=False,
        encipher_only=False,
        decipher_only=False,
    )


def _read(path: Path) -> x509.Certificate | None:
    from cryptography import x509

    try:
        return x509.load_pem_x509_certificate(path.read_bytes())
    except (OSError, ValueError):
        return None


def _write(
    folder: Path, name: str, certificate: x509.Certificate, key: EllipticCurvePrivateKey
) -> None:
    from cryptography.hazmat.primitives import serialization

    secret = key.private_bytes(
        serialization.Encoding.PEM,
        serialization.PrivateFormat.PKCS8,
        serialization.NoEncryption(),
    )
    path = folder / f"{name}.key"
    path.unlink(missing_ok=True)
    with os.fdopen(os.open(path, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "wb") as file:
        file.write(secret)
    (folder / f"{name}.crt").write_bytes(certificate.public_bytes(serialization.Encoding.PEM))


def _fingerprint(certificate: x509.Certificate) -> str:
    from cryptography.hazmat.primitives import hashes

    return certificate.fingerprint(hashes.SHA256()).hex(" ", 2).upper()
