"""Pictures are read elsewhere; a process that dies is replaced."""

from __future__ import annotations

import os
from collections.abc import Iterator

import pytest

from ulna.core.errors import FieldError
from ulna.household.darkroom import Darkroom


@pytest.fixture
def darkroom() -> Iterator[Darkroom]:
    room = Darkroom()
    yield room
    room.close()


def test_work_is_done_in_another_process_that_steps_back(darkroom: Darkroom) -> None:
    """With a lower priority than this one's."""
    assert darkroom.run(os.getpid, "a") != os.getpid()
    assert darkroom.run(os.nice, "a", 0) >= os.nice(0) + 10


def test_a_picture_that_kills_its_process_is_told_and_the_next_one_is_read(darkroom: Darkroom) -> None:
    """As where memory runs out."""
    with pytest.raises(FieldError, match=r"heron\.jpg: this picture cannot be read on this machine"):
        darkroom.run(os._exit, "heron.jpg", 3)
    assert darkroom.run(len, "b", "abc") == 3
