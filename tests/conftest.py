"""What tests of several floors share."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import settings

from ulna.demo.household import set_up

settings.register_profile("ulna", deadline=None, derandomize=True)
settings.load_profile("ulna")


@pytest.fixture(scope="session")
def demo_home(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo household's folder, made once; tests only look at it."""
    home = tmp_path_factory.mktemp("demo") / "home"
    assert set_up(home)
    return home
