"""A plan that nobody waits for any more is given up: the server has its hands free again."""

from __future__ import annotations

import time
from pathlib import Path

import httpx2
import pytest

from tests.browser.conftest import Server
from tests.formats.requests import REQUEST


def test_who_leaves_is_not_planned_for(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """A minute was allowed; the asker leaves after a moment, and the planner ends within another."""
    from ulna.api import cutting

    ended = list[float]()

    def slow(_request: object, _effort: object, over: object) -> None:
        begun = time.monotonic()
        while not over() and time.monotonic() - begun < 30:  # type: ignore[operator]
            time.sleep(0.02)
        ended.append(time.monotonic() - begun)
        raise RuntimeError("nobody waits")

    monkeypatch.setattr(cutting, "plan_cuts", slow)
    server = Server(tmp_path / "home")
    try:
        with pytest.raises(httpx2.TimeoutException):
            httpx2.post(f"{server.address}/api/cutplan", json=REQUEST | {"seconds": 60}, timeout=0.5)
        end = time.monotonic() + 10
        while not ended and time.monotonic() < end:
            time.sleep(0.05)
        assert ended and ended[0] < 5
    finally:
        server.stop()
