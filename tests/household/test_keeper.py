"""The passphrase: kept as a hash, guessed at slowly, with sessions that end."""

from __future__ import annotations

import json
import logging
import re
from pathlib import Path

import pytest

from tests.store.faults import is_private
from ulna.core.errors import FieldError
from ulna.household.keeper import FILE, SESSION_DAYS, Keeper, NotLetIn, TooSoon, generated

RIGHT = "a heron by the lock"


class Clock:
    """A clock that a test moves."""

    def __init__(self) -> None:
        self.now = 1_000_000.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def keeper(tmp_path: Path, clock: Clock) -> Keeper:
    keeper = Keeper(tmp_path, clock)
    keeper.set(RIGHT)
    return keeper


def test_a_passphrase_has_twelve_characters_at_least(tmp_path: Path) -> None:
    for short in ("", "heron", "elevenchars"):
        with pytest.raises(FieldError, match="take from 12"):
            Keeper(tmp_path).set(short)
    assert not Keeper(tmp_path).is_set()


def test_a_generated_one_can_be_read_out_and_is_never_the_same() -> None:
    found = {generated() for _ in range(50)}
    assert len(found) == 50 and all(re.fullmatch(r"([a-z]{8}-){2}[a-z]{8}", one) for one in found)


def test_neither_passphrase_nor_token_is_in_the_file(keeper: Keeper) -> None:
    """Only an Argon2id hash and sums; and nobody else may read even those."""
    token = keeper.sign_in(RIGHT, "here")
    text = (keeper.home / FILE).read_text()
    assert RIGHT not in text and token not in text and "$argon2id$" in text
    assert is_private(keeper.home / FILE) and len(json.loads(text)["sessions"]) == 1


def test_a_session_lasts_its_days_over_restarts_and_ends_where_one_signs_out(keeper: Keeper, clock: Clock) -> None:
    one, other = keeper.sign_in(RIGHT, "here"), keeper.sign_in(RIGHT, "here")
    again = Keeper(keeper.home, clock)
    assert again.knows(one) and again.knows(other) and not again.knows("") and not again.knows(RIGHT)
    again.sign_out(one)
    assert not keeper.knows(one) and keeper.knows(other)
    clock.now += SESSION_DAYS * 86_400 + 1
    assert not keeper.knows(other)


def test_a_new_passphrase_signs_everybody_out(keeper: Keeper) -> None:
    token = keeper.sign_in(RIGHT, "here")
    keeper.set("rain on the roof")
    assert not keeper.knows(token)
    with pytest.raises(NotLetIn):
        keeper.sign_in(RIGHT, "here")


def test_whoever_guesses_waits_longer_each_time(
    keeper: Keeper, clock: Clock, caplog: pytest.LogCaptureFixture
) -> None:
    """Three tries at once, then 2, 4, 8 … seconds; each is logged with its address, without what was tried."""
    waits = []
    with caplog.at_level(logging.WARNING, "ulna.door"):
        for _ in range(3):
            with pytest.raises(NotLetIn):
                keeper.sign_in("wrong and wrong", "10.0.0.7")
        for _ in range(4):
            with pytest.raises(TooSoon) as soon:
                keeper.sign_in(RIGHT, "10.0.0.7")
            waits.append(soon.value.seconds)
            clock.now += soon.value.seconds
            with pytest.raises(NotLetIn):
                keeper.sign_in("wrong and wrong", "10.0.0.7")
    assert waits == [2, 4, 8, 16]
    assert "10.0.0.7" in caplog.text and "wrong and wrong" not in caplog.text and RIGHT not in caplog.text
    assert keeper.knows(keeper.sign_in(RIGHT, "10.0.0.8")), "another address does not wait for it"


def test_many_addresses_together_are_slowed_too(keeper: Keeper, clock: Clock) -> None:
    """A thousand addresses with one try each within a minute: some thirty and a few are looked at."""
    keeper.fits = lambda passphrase: passphrase == RIGHT  # type: ignore[method-assign]
    looked = 0
    for k in range(1_000):
        clock.now += 0.06
        try:
            keeper.sign_in("wrong and wrong", f"10.0.{k // 250}.{k % 250}")
        except NotLetIn:
            looked += 1
        except TooSoon:
            pass
    assert 30 <= looked <= 36
    clock.now += 10
    assert keeper.knows(keeper.sign_in(RIGHT, "here")), "and who knows it waits for seconds, not for ever"
