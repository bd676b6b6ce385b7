"""`make hard`: all of the hard use, and its table for docs/hard-use.md. Ends with 1 where anything was lost."""

from __future__ import annotations

import random
import sys
import tempfile
import time
from collections import Counter
from contextlib import closing
from pathlib import Path

from tests.api.test_odd_requests import odd_requests
from tests.hard import kills, requests
from tests.household.test_care import ask_everything, broken_file, laid_out
from ulna.demo.household import set_up
from ulna.household.home import Household

ROOT = Path(__file__).parents[2]
BEGIN, END = "<!-- the table of make hard -->", "<!-- its end -->"


def main(share: float) -> int:
    """Runs a share of it, 1 for all; prints the table."""
    lines, lost = ["| What was done | How often | What was lost or wrong |", "| --- | --- | --- |"], 0

    def line(what: str, often: str, wrong: list[str]) -> None:
        nonlocal lost
        lost += len(wrong)
        lines.append(f"| {what} | {often} | {len(wrong)} |")
        print(lines[-1], flush=True)
        for one in wrong[:10]:
            print(f"    {one}", file=sys.stderr)

    begun = time.monotonic()
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        (folder / "kills").mkdir()
        for deed, tally in kills.run(round(1_000 * share), folder / "kills").items():
            line(f"Killed during {deed}", f"{tally.kills} kills, {tally.acknowledged} acknowledged", tally.lost)
        laid_out(folder / "well")
        rng, ends, wrong = random.Random(5), Counter[str](), list[str]()
        for k in range(round(500 * share)):
            try:
                ends[broken_file(folder / "well", folder / f"broken-{k}", rng, ask_everything)] += 1
            except Exception as error:
                wrong.append(repr(error))
        line("Broken library files opened", f"{ends['open']} open, {ends['refused']} refused in a sentence", wrong)
        set_up(folder / "demo")
        statuses, wrong = requests.run(folder / "demo", folder / "asked", max(1, round(200 * share)))
        line("Requests generated from the description", told(statuses), wrong)
        statuses, wrong = odd_requests(folder / "odd", max(1, round(100_000 * share) - statuses.total()))
        line("Requests with one or two odd values", told(statuses), wrong)
        with closing(Household(folder / "asked")) as home:
            line("Documents unreadable after all requests", "1 household", [one.why for one in home.aside()])
    minutes = (time.monotonic() - begun) / 60
    page = ROOT / "docs/hard-use.md"
    text = page.read_text()
    before, after = text.split(BEGIN)[0], text.split(END)[1]
    if share == 1:
        table = "\n".join(lines)
        page.write_text(f"{before}{BEGIN}\n\n{table}\n\n{END}{after}")
    print(f"{lost} lost or wrong, in {minutes:.0f} minutes")
    return 1 if lost else 0


def told(statuses: Counter[int]) -> str:
    found = ", ".join(f"{count} × {status}" for status, count in sorted(statuses.items()))
    return f"{statuses.total()} requests: {found}"


if __name__ == "__main__":
    sys.exit(main(float(sys.argv[1]) if len(sys.argv) > 1 else 1))
