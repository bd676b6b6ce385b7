"""Killed at any moment, nothing that was acknowledged is lost. `make hard` does this a thousand times."""

from __future__ import annotations

from pathlib import Path

from tests.hard.kills import DEEDS, run


def test_nothing_acknowledged_is_lost_in_a_few_kills(tmp_path: Path) -> None:
    """Edits, ticks, photos, imports, backups, restores, migrations: four kills of each."""
    tallies = run(4 * len(DEEDS), tmp_path)
    assert [lost for tally in tallies.values() for lost in tally.lost] == []
    assert sum(tally.kills for tally in tallies.values()) == 28
    assert sum(tally.acknowledged for tally in tallies.values()) > 50
