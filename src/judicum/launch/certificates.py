"""The workshop's own certificate authority, and the certificate of this machine; runs inside the installed program.

python -m judicum.launch.certificates FOLDER NAME…    makes or renews what is missing; one line says what was done

The authority is made once and trusted once on every phone. Of names it may speak only for those of a local network (RFC 5280,
4.2.1.10): whoever got hold of its key could pretend to be no site of the internet. Addresses are free, since a school's network may
have public ones.
"""

import datetime as dt
import ipaddress
import os
import socket
import sys
from collections.abc import Sequence
from pathlib import Path

from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

AUTHORITY_YEARS = 10
"""years. As long as a school keeps its phones."""
SERVER_DAYS = 397
"""days. What browsers accept at most of a certificate (CA/Browser Forum, baseline requirements 6.3.2)."""
RENEW_DAYS = 60
"""days before the end at which a certificate is made anew."""
CLOCK_SLACK = dt.timedelta(days=1)
"""A phone's clock may be behind."""
DOMAINS = ("local", "localhost", "lan", "home.arpa", "internal")
"""Endings of names that are nobody's in the internet (RFC 6762, 6761, 8375)."""
Address = ipaddress.IPv4Address | ipaddress.IPv6Address


def speaks_for(authority: x509.Certificate, name: str) -> bool:
    """Whether an authority may vouch for a name or address. A certificate that names one more would be worth nothing."""
    allowed = authority.extensions.get_extension_for_class(x509.NameConstraints).value.permitted_subtrees or []
    if _address(name) is not None:
        return True
    endings = [one.value for one in allowed if isinstance(one, x509.DNSName)]
    return any(name == ending or name.endswith(f".{ending}") for ending in endings)


def make_sure(folder: Path, names: Sequence[str], now: dt.datetime | None = None) -> str:
    """Make the authority where there is none, and the machine's certificate where it is missing, ends soon or names too little.

    Returns:
        "kept", "renewed" or "made".
    """
    now = now or dt.datetime.now(dt.UTC)
    folder.mkdir(parents=True, exist_ok=True)
    folder.chmod(0o700)
    fresh = not (folder / "authority.key").exists()
    if fresh:
        _make_authority(folder, now)
    authority = x509.load_pem_x509_certificate((folder / "authority.pem").read_bytes())
    mine = [name for name in dict.fromkeys(names) if speaks_for(authority, name)]
    if not fresh and _serves(folder, authority, mine, now):
        return "kept"
    _make_server(folder, authority, mine, now)
    return "made" if fresh else "renewed"


def names_of(certificate: x509.Certificate) -> set[str]:
    """Names and addresses a certificate is for."""
    alternative = certificate.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    return {*alternative.get_values_for_type(x509.DNSName), *map(str, alternative.get_values_for_type(x509.IPAddress))}


def _address(name: str) -> Address | None:
    try:
        return ipaddress.ip_address(name.strip("[]"))
    except ValueError:
        return None


def _serves(folder: Path, authority: x509.Certificate, names: Sequence[str], now: dt.datetime) -> bool:
    try:
        found = x509.load_pem_x509_certificate((folder / "server.pem").read_bytes())
        found.verify_directly_issued_by(authority)
    except (OSError, ValueError, TypeError):
        return False
    lasts = found.not_valid_after_utc - now > dt.timedelta(days=RENEW_DAYS)
    return lasts and {name.strip("[]") for name in names} <= names_of(found) and (folder / "server.key").exists()


def _make_authority(folder: Path, now: dt.datetime) -> None:
    key = ec.generate_private_key(ec.SECP256R1())
    who = x509.Name(
        [
            x509.NameAttribute(
                NameOID.COMMON_NAME, f"Judicum workshop authority ({socket.gethostname()}, {now:%Y-%m-%d})"[:64]
            )
        ]
    )
    allowed: list[x509.GeneralName] = [x509.DNSName(name) for name in (*DOMAINS, socket.gethostname().lower())]
    made = (
        _builder(who, who, key.public_key(), now, dt.timedelta(days=365 * AUTHORITY_YEARS))
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(_usage(signs=True), critical=True)
        .add_extension(x509.NameConstraints(permitted_subtrees=allowed, excluded_subtrees=None), critical=True)
        .sign(key, hashes.SHA256())
    )
    _write(folder / "authority.key", _private(key))
    _write(folder / "authority.pem", made.public_bytes(serialization.Encoding.PEM), mode=0o644)


def _make_server(folder: Path, authority: x509.Certificate, names: Sequence[str], now: dt.datetime) -> None:
    signer = serialization.load_pem_private_key((folder / "authority.key").read_bytes(), None)
    assert isinstance(signer, ec.EllipticCurvePrivateKey)
    key = ec.generate_private_key(ec.SECP256R1())
    who = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Judicum")])
    alternative: list[x509.GeneralName] = [
        x509.DNSName(name) if (address := _address(name)) is None else x509.IPAddress(address) for name in names
    ]
    made = (
        _builder(authority.subject, who, key.public_key(), now, dt.timedelta(days=SERVER_DAYS))
        .add_extension(x509.SubjectAlternativeName(alternative), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(_usage(signs=False), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .add_extension(x509.AuthorityKeyIdentifier.from_issuer_public_key(signer.public_key()), critical=False)
        .sign(signer, hashes.SHA256())
    )
    _write(folder / "server.key", _private(key))
    _write(folder / "server.pem", made.public_bytes(serialization.Encoding.PEM), mode=0o644)


def _builder(issuer: x509.Name, subject: x509.Name, key: ec.EllipticCurvePublicKey, now: dt.datetime, lasts: dt.timedelta) -> x509.CertificateBuilder:  # fmt: skip
    return (
        x509.CertificateBuilder()
        .issuer_name(issuer)
        .subject_name(subject)
        .public_key(key)
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - CLOCK_SLACK)
        .not_valid_after(now + lasts)
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(key), critical=False)
    )


def _usage(signs: bool) -> x509.KeyUsage:
    return x509.KeyUsage(
        digital_signature=not signs, key_cert_sign=signs, crl_sign=signs, content_commitment=False, key_encipherment=False,
        data_encipherment=False, key_agreement=False, encipher_only=False, decipher_only=False,
    )  # fmt: skip


def _private(key: ec.EllipticCurvePrivateKey) -> bytes:
    return key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    )


def _write(file: Path, data: bytes, mode: int = 0o600) -> None:
    """Whole or not at all, and never readable by others in between."""
    aside = file.with_suffix(".new")
    aside.unlink(missing_ok=True)
    with os.fdopen(os.open(aside, os.O_WRONLY | os.O_CREAT | os.O_EXCL, mode), "wb") as out:
        out.write(data)
    aside.replace(file)


if __name__ == "__main__":
    print(make_sure(Path(sys.argv[1]), sys.argv[2:]))
