"""Who is let in where others can reach the application: one passphrase for the household, and sessions.

The passphrase is kept as an Argon2id hash (RFC 9106), a session as the SHA-256 of its token, both in a file beside the
library that its owner alone can read. Whoever guesses waits longer each time, and all who guess together wait too.
"""

from __future__ import annotations

import hashlib
import json
import logging
import secrets
import threading
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from ulna.core.errors import FieldError, UlnaError
from ulna.store import disk

FILE = "door.json"
LEAST_CHARACTERS = 12
MOST_CHARACTERS = 200
SESSION_DAYS = 30
FREE_TRIES = 3
"""So many tries of an address cost nothing; each one after them waits twice as long as the one before."""
LONGEST_WAIT = 900.0
ALL_TRIES, ALL_SECONDS, ALL_WAIT = 30, 600.0, 10.0
"""After so many wrong tries from anywhere within so many seconds, one try in so many seconds is looked at."""
MOST_ADDRESSES = 10_000

COST: dict[str, Any] = {}
"""What making a hash costs besides what is usual: seconds and memory that who guesses must spend too."""

SYLLABLES = [c + v for c in "bdfghklmnprstvz" for v in "aeiou"]
GENERATED = 12
"""Syllables of a generated passphrase: 75 to the 12th power, 74 bits."""

log = logging.getLogger("ulna.door")


class TooSoon(UlnaError):
    """Another try must wait; `seconds` tells how long."""

    code = "too-soon"
    status = 429

    def __init__(self, seconds: float) -> None:
        self.seconds = max(1, round(seconds))
        super().__init__(f"too many wrong passphrases; try again in {self.seconds} s")


class NotLetIn(UlnaError):
    """The passphrase was wrong, or none was given."""

    code = "passphrase"
    status = 401


def generated() -> str:
    """A passphrase that can be read out: three words of four syllables."""
    syllables = [secrets.choice(SYLLABLES) for _ in range(GENERATED)]
    return "-".join("".join(syllables[k : k + 4]) for k in range(0, GENERATED, 4))


@dataclass
class _Tries:
    """What an address tried in vain: how often, and when it may try again."""

    wrong: int = 0
    again: float = 0.0


@dataclass
class Keeper:
    """The passphrase and the sessions of one household, in its folder."""

    home: Path
    now: Callable[[], float] = time.time
    _tries: dict[str, _Tries] = field(default_factory=dict)
    _wrong: deque[float] = field(default_factory=deque)
    _last: float = 0.0
    _lock: threading.Lock = field(default_factory=threading.Lock)

    def is_set(self) -> bool:
        return bool(self._read().get("hash"))

    def set(self, passphrase: str) -> None:
        """Keeps a passphrase; whoever was signed in is signed out. Raises `FieldError` for one that is too short."""
        if not LEAST_CHARACTERS <= len(passphrase) <= MOST_CHARACTERS:
            told = f"it has {len(passphrase)} characters"
            raise FieldError("passphrase", "", told, f"take from {LEAST_CHARACTERS} to {MOST_CHARACTERS}")
        from argon2 import PasswordHasher

        self._write({"hash": PasswordHasher(**COST).hash(passphrase), "sessions": {}})

    def fits(self, passphrase: str) -> bool:
        """Whether it is the passphrase."""
        from argon2 import PasswordHasher
        from argon2.exceptions import InvalidHashError, VerificationError

        try:
            return PasswordHasher().verify(self._read().get("hash", ""), passphrase[:MOST_CHARACTERS])
        except (VerificationError, InvalidHashError):
            return False

    def sign_in(self, passphrase: str, address: str) -> str:
        """A token for a new session. Raises `TooSoon`, `NotLetIn`; both are logged with the address."""
        with self._lock:  # one at a time: a try takes much memory on purpose
            self._wait_over(address)
            if not self.fits(passphrase):
                self._count(address)
                log.warning("a wrong passphrase from %s", address)
                raise NotLetIn("this is not the passphrase")
            self._tries.pop(address, None)
            token = secrets.token_urlsafe(32)
            kept = self._read()
            kept["sessions"] = self._lasting(kept) | {_sum(token): self.now() + SESSION_DAYS * 86_400}
            self._write(kept)
            return token

    def knows(self, token: str) -> bool:
        """Whether a token is that of a session that lasts."""
        return _sum(token) in self._lasting(self._read())

    def sign_out(self, token: str) -> None:
        with self._lock:
            kept = self._read()
            kept["sessions"] = {sum: end for sum, end in self._lasting(kept).items() if sum != _sum(token)}
            self._write(kept)

    def _wait_over(self, address: str) -> None:
        now, tries = self.now(), self._tries.get(address)
        while self._wrong and self._wrong[0] < now - ALL_SECONDS:
            self._wrong.popleft()
        waits = [tries.again - now] if tries else []
        if len(self._wrong) >= ALL_TRIES:
            waits.append(self._last + ALL_WAIT - now)
        if max(waits, default=0.0) > 0:
            log.warning("a try too soon from %s", address)
            raise TooSoon(max(waits))
        self._last = now

    def _count(self, address: str) -> None:
        if len(self._tries) >= MOST_ADDRESSES:
            self._tries.clear()
        tries = self._tries.setdefault(address, _Tries())
        tries.wrong += 1
        if tries.wrong >= FREE_TRIES:
            tries.again = self.now() + min(LONGEST_WAIT, 2.0 ** (tries.wrong - FREE_TRIES + 1))
        self._wrong.append(self.now())

    def _lasting(self, kept: dict[str, Any]) -> dict[str, float]:
        return {sum: end for sum, end in kept.get("sessions", {}).items() if end > self.now()}

    def _read(self) -> dict[str, Any]:
        file = self.home / FILE
        try:
            stamp = file.stat().st_mtime_ns, file.stat().st_size
            if getattr(self, "_stamp", None) != stamp:
                self._kept: dict[str, Any] = json.loads(file.read_bytes())
                self._stamp = stamp
            return dict(self._kept)
        except FileNotFoundError:
            return {}
        except ValueError:
            raise NotLetIn(f"{file} is damaged; set the passphrase again with: ulna passphrase") from None

    def _write(self, kept: dict[str, Any]) -> None:
        disk.put(self.home / FILE, json.dumps(kept).encode())


def _sum(token: str) -> str:
    return hashlib.sha256(token.encode(errors="replace")).hexdigest()
