"""Access: the allowed host names, the access key, and the sessions that it opens."""

import hashlib
import hmac
import secrets
import time
from collections import OrderedDict, deque
from dataclasses import dataclass, field

from itsdangerous import BadData, TimestampSigner

LOOPBACK = frozenset({"127.0.0.1", "localhost", "::1"})
COOKIE = "plimbo_session"
LEAST_KEY = 16
SESSION_SECONDS = 30 * 24 * 3600
# Wrong keys of one address within this many seconds; after these every key from there has to wait.
GUESSES, WITHIN_SECONDS = 5, 60
ADDRESSES = 1000
# Keys that wait at once; further ones are refused.
WAITING = 50


def new_key() -> str:
    """A random key."""
    return secrets.token_urlsafe(24)


@dataclass(frozen=True)
class Access:
    """Host names that the server answers to, and the key that it asks for (none on loopback).

    `proxy` is the address of a reverse proxy, whose word about the visitor's address is believed; that of no other is.

    Raises `ValueError` if the key is too short to be safe.
    """

    hosts: frozenset[str] = field(default=LOOPBACK)
    key: str | None = None
    proxy: str | None = None

    def __post_init__(self) -> None:
        if self.key is not None and len(self.key) < LEAST_KEY:
            raise ValueError(f"The access key must have at least {LEAST_KEY} characters: plimbo key makes one.")

    def is_key(self, given: bytes) -> bool:
        """Whether this is the key, compared in constant time."""
        return self.key is not None and hmac.compare_digest(given, self.key.encode())

    def new_session(self) -> str:
        """A session token for a visitor who had the key; it is not the key, and it expires."""
        return self._signer().sign(secrets.token_urlsafe(16)).decode()

    def is_session(self, given: str) -> bool:
        """Whether this is a session token of this server that has not expired."""
        try:
            return self.key is not None and bool(self._signer().unsign(given, max_age=SESSION_SECONDS))
        except BadData:
            return False

    def _signer(self) -> TimestampSigner:
        return TimestampSigner(self.key or "", salt="plimbo session", digest_method=hashlib.sha256)


class Guesses:
    """Wrong keys, by the address that they came from."""

    def __init__(self) -> None:
        self._wrong: OrderedDict[str, deque[float]] = OrderedDict()

    def wait(self, address: str) -> int:
        """Seconds that an address has to wait before it may try a key again; 0 if it need not wait."""
        wrong = self._wrong.get(address)
        if not wrong or len(wrong) < GUESSES:
            return 0
        return max(0, int(wrong[0] + WITHIN_SECONDS - time.monotonic()) + 1)

    def note(self, address: str) -> None:
        """Records a wrong key from this address."""
        wrong = self._wrong.setdefault(address, deque(maxlen=GUESSES))
        wrong.append(time.monotonic())
        self._wrong.move_to_end(address)
        if len(self._wrong) > ADDRESSES:
            self._wrong.popitem(last=False)


def cookies_of(header: str, name: str = COOKIE) -> list[str]:
    """All cookies of this name in a header; other programs on this host may have set one of the same name, too."""
    pairs = (part.strip().partition("=") for part in header.split(";"))
    return [value for key, _, value in pairs if key == name and value]
