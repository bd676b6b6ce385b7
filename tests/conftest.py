"""What tests of several floors share."""

from __future__ import annotations

import fcntl
import gc
import os
import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import settings

from tests.api.client import client_of
from ulna.demo.household import set_up
from ulna.household import keeper

settings.register_profile("ulna", deadline=None, derandomize=True)
settings.load_profile("ulna")
# Millions of values live for a moment only: looking for circles among them as often as usual takes a twentieth
# of the time.
gc.set_threshold(100_000, 20, 50)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The longest file first, so that no worker is left alone with it at the end."""
    items.sort(key=lambda item: item.path.name != "test_blind_hand.py")


@pytest.fixture(autouse=True, scope="session")
def cheap_hashes() -> None:
    """A passphrase is guarded by what a try costs, which a test need not spend."""
    keeper.COST.update(time_cost=1, memory_cost=64, parallelism=1)


@pytest.fixture(scope="session")
def demo_home(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The demo household's folder, made once for all workers, each with a copy; tests only look at it."""
    shared = tmp_path_factory.getbasetemp().parent if "PYTEST_XDIST_WORKER" in os.environ else None
    if shared is None:
        home = tmp_path_factory.mktemp("demo") / "home"
        assert set_up(home)
        return home
    with (shared / "demo.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        set_up(shared / "demo")
    return Path(shutil.copytree(shared / "demo", tmp_path_factory.mktemp("demo") / "home"))


@pytest.fixture
def api(tmp_path: Path) -> Iterator[TestClient]:
    with client_of(tmp_path) as client:
        yield client
