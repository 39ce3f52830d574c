"""A certificate of the school's own, so that what pads and server say to each other cannot be
overheard: an authority that is made once and put on each device, and under it the server's own
certificate, made anew when it runs out or the machine is called otherwise."""

import ipaddress
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path

from cryptography import x509
from cryptography.exceptions import InvalidSignature
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

from firstloop.core.errors import FirstLoopError
from firstloop.store.soundness import make_ours_alone

AUTHORITY_LASTS, SERVER_LASTS = timedelta(days=3650), timedelta(days=397)
"""Browsers take no certificate of a server that lasts longer than 398 days."""

RENEWED_BEFORE = timedelta(days=30)
A_LITTLE_BEFORE = timedelta(hours=1)
"""For devices whose clocks are behind."""

OURS_ONLY = 0o600


@dataclass(frozen=True, slots=True)
class Certificate:
    """The files that a server needs, and the authority's, which is put on devices (None where the
    school gave its own)."""

    certificate: Path
    key: Path
    authority: Path | None = None


def certificate_for(names: Iterable[str], folder: Path, now: datetime) -> Certificate:
    """The certificate for a machine that is called so, made in a folder where there is none."""
    make_ours_alone(folder)
    found = Certificate(folder / "server.pem", folder / "server.key", folder / "authority.pem")
    wanted = sorted(set(names))
    authority = _authority(folder, now)
    if not _still_good(found, authority[0], wanted, now):
        _make_server(found, *authority, wanted, now)
    return found


def _authority(folder: Path, now: datetime) -> tuple[x509.Certificate, ec.EllipticCurvePrivateKey]:
    at, key_at = folder / "authority.pem", folder / "authority.key"
    if at.exists() and key_at.exists():
        key = serialization.load_pem_private_key(key_at.read_bytes(), password=None)
        made = x509.load_pem_x509_certificate(at.read_bytes())
        if isinstance(key, ec.EllipticCurvePrivateKey) and _lasts(made, now):
            return made, key
    key = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "First Loop of this school")])
    made = (
        _begun(name, name, key, now, AUTHORITY_LASTS)
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(_uses(signs_certificates=True), critical=True)
        .sign(key, hashes.SHA256())
    )
    _write(at, key_at, made, key)
    return made, key


def _make_server(
    found: Certificate,
    authority: x509.Certificate,
    authority_key: ec.EllipticCurvePrivateKey,
    names: list[str],
    now: datetime,
) -> None:
    key = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "First Loop")])
    server = x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH])
    made = (
        _begun(name, authority.subject, key, now, SERVER_LASTS)
        .add_extension(x509.SubjectAlternativeName(_general(names)), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(_uses(signs_certificates=False), critical=True)
        .add_extension(server, critical=False)
        .sign(authority_key, hashes.SHA256())
    )
    _write(found.certificate, found.key, made, key)


def _begun(
    name: x509.Name,
    by: x509.Name,
    key: ec.EllipticCurvePrivateKey,
    now: datetime,
    lasts: timedelta,
) -> x509.CertificateBuilder:
    return (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(by)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - A_LITTLE_BEFORE)
        .not_valid_after(now + lasts)
    )


def _uses(*, signs_certificates: bool) -> x509.KeyUsage:
    return x509.KeyUsage(
        digital_signature=not signs_certificates,
        key_cert_sign=signs_certificates,
        crl_sign=signs_certificates,
        content_commitment=False,
        key_encipherment=False,
        data_encipherment=False,
        key_agreement=False,
        encipher_only=False,
        decipher_only=False,
    )


def _general(names: list[str]) -> list[x509.GeneralName]:
    found: list[x509.GeneralName] = []
    for name in names:
        try:
            found.append(x509.IPAddress(ipaddress.ip_address(name.strip("[]"))))
        except ValueError:
            found.append(_host(name))
    return found


def _host(name: str) -> x509.DNSName:
    try:
        return x509.DNSName(name)
    except ValueError as error:
        raise FirstLoopError(
            f'"{name}" cannot stand in a certificate; name this machine in plain letters'
        ) from error


def _still_good(
    found: Certificate, authority: x509.Certificate, names: list[str], now: datetime
) -> bool:
    if not (found.certificate.exists() and found.key.exists()):
        return False
    made = x509.load_pem_x509_certificate(found.certificate.read_bytes())
    said = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    return (
        _lasts(made, now)
        and list(said) == _general(names)
        and made.issuer == authority.subject
        and _is_signed_by(made, authority)
    )


def _is_signed_by(made: x509.Certificate, authority: x509.Certificate) -> bool:
    try:
        made.verify_directly_issued_by(authority)
    except (ValueError, TypeError, InvalidSignature):
        return False
    return True


def _lasts(made: x509.Certificate, now: datetime) -> bool:
    return made.not_valid_before_utc <= now <= made.not_valid_after_utc - RENEWED_BEFORE


def _write(at: Path, key_at: Path, made: x509.Certificate, key: ec.EllipticCurvePrivateKey) -> None:
    key_at.touch(mode=OURS_ONLY)
    key_at.chmod(OURS_ONLY)
    key_at.write_bytes(
        key.private_bytes(
            serialization.Encoding.PEM,
            serialization.PrivateFormat.PKCS8,
            serialization.NoEncryption(),
        )
    )
    at.write_bytes(made.public_bytes(serialization.Encoding.PEM))
