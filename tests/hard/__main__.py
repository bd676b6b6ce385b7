"""`make hard`: all of the hard use, and its table for docs/hard-use.md. Ends with 1 where anything was lost."""

from __future__ import annotations

import random
import sys
import tempfile
import time
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

from tests.api.test_odd_requests import odd_requests
from tests.hard import kills, requests
from tests.household.test_care import ask_everything, broken_file, laid_out
from ulna.demo.household import set_up
from ulna.household.home import Household

ROOT = Path(__file__).parents[2]
BEGIN, END = "<!-- the table of make hard -->", "<!-- its end -->"


@dataclass(frozen=True)
class Row:
    what: str
    often: str
    wrong: list[str]

    def __str__(self) -> str:
        return f"| {self.what} | {self.often} | {len(self.wrong)} |"


def killed(folder: Path, share: float) -> list[Row]:
    (folder / "kills").mkdir()
    tallies = kills.run(round(1_000 * share), folder / "kills")
    return [
        Row(f"Killed during {deed}", f"{tally.kills} kills, {tally.acknowledged} deeds acknowledged", tally.lost)
        for deed, tally in tallies.items()
    ]


def broken(folder: Path, share: float) -> list[Row]:
    laid_out(folder / "well")
    rng, ends, wrong = random.Random(5), Counter[str](), list[str]()
    for k in range(round(500 * share)):
        try:
            ends[broken_file(folder / "well", folder / "broken", rng, ask_everything)] += 1
        except Exception as error:
            wrong.append(f"{k}: {error!r}")
    often = f"{sum(ends.values())} files: {ends['open']} open, {ends['refused']} refused in a sentence"
    return [Row("Libraries with bytes changed anywhere", often, wrong)]


def described(folder: Path, share: float) -> list[Row]:
    set_up(folder / "demo")
    statuses, wrong = requests.run(folder / "demo", folder / "asked", max(1, round(150 * share)))
    with closing(Household(folder / "asked")) as home:
        unreadable = [f"{one.kind} {one.id}: {one.why}" for one in home.aside()]
    return [
        Row("Requests generated from the description", told(statuses), wrong),
        Row("Documents that cannot be read after them", "1 household", unreadable),
    ]


def odd(folder: Path, share: float) -> list[Row]:
    statuses, wrong = odd_requests(folder / "odd", round(100_000 * share))
    return [Row("Requests with one or two odd values", told(statuses), wrong)]


def told(statuses: Counter[int]) -> str:
    found = ", ".join(f"{count} × {status}" for status, count in sorted(statuses.items()))
    return f"{statuses.total()} requests: {found}"


def main(share: float) -> int:
    """Runs a share of it, 1 for all; prints the table, and keeps it where that was all."""
    lines = ["| What was done | How often | What was lost or wrong |", "| --- | --- | --- |"]
    lost, begun = 0, time.monotonic()
    with tempfile.TemporaryDirectory() as name, ProcessPoolExecutor(2) as hands:
        jobs = [hands.submit(job, Path(name), share) for job in (odd, described, killed, broken)]
        for job in reversed(jobs):
            for row in job.result():
                lost += len(row.wrong)
                lines.append(str(row))
                print(row, *row.wrong[:10], sep="\n    ", flush=True)
    page = ROOT / "docs/hard-use.md"
    text = page.read_text()
    if share == 1:
        table = "\n".join(lines)
        page.write_text(f"{text.split(BEGIN)[0]}{BEGIN}\n\n{table}\n\n{END}{text.split(END)[1]}")
    print(f"{lost} lost or wrong, in {(time.monotonic() - begun) / 60:.0f} minutes")
    return 1 if lost else 0


if __name__ == "__main__":
    sys.exit(main(float(sys.argv[1]) if len(sys.argv) > 1 else 1))
