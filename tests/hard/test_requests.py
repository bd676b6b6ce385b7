"""Requests from the published description never find the server at fault. `make hard` asks tens of thousands."""

from __future__ import annotations

from pathlib import Path

from tests.hard.requests import run


def test_generated_requests_are_answered_as_described(demo_home: Path, tmp_path: Path) -> None:
    """One of each operation, with the demo's own ids: no fault, no status that is not described."""
    statuses, wrong = run(demo_home, tmp_path / "home", 1)
    assert wrong == [] and statuses.total() > 60 and {200, 422} <= set(statuses)
