"""How often the cut planner reaches the best plan of requests whose best is known. Part of `make bench`; alone:

    python bench/cutting.py [seconds] [instances of each kind] [kind]

Each request is a process of its own, its start included in the time, as a person at the command line has it.
"""

from __future__ import annotations

import json
import statistics
import subprocess
import sys
import time
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parent.parent
sys.path[:0] = [str(ROOT), str(ROOT / "bench")]

from checked import unsound  # noqa: E402
from cut_instances import KINDS, Instance  # noqa: E402

WANTED = {
    "perfect": ("90 %", "97 %"),
    "near-perfect": ("95 %", "100 %"),
    "kit": ("100 %", "100 %"),
    "infeasible": ("100 %", "100 %"),
    "large": ("2 over at most", "1 over at most"),
    "papers": ("2 over at most", "2 over at most"),
    "mixed": ("2 over at most", "2 over at most"),
}


def planned(instance: Instance, seconds: float) -> tuple[dict[str, object], float]:
    """The plan as the command line gives it, checked, and how long that took."""
    request = json.dumps({**instance.request, "seconds": seconds}).encode()
    start = time.perf_counter()
    done = subprocess.run(
        [sys.executable, "-m", "ulna", "cutplan", "-"], input=request, capture_output=True, check=False
    )
    took = time.perf_counter() - start
    if done.returncode not in (0, 3):
        raise SystemExit(f"{instance.name}: {done.stderr.decode()}")
    if wrong := unsound(request, done.stdout):
        raise SystemExit(f"{instance.name}: an unsound plan: {wrong[0]}")
    return json.loads(done.stdout), took


def table(seconds: float, many: int, kinds: list[str]) -> None:
    for kind in kinds:
        best, over, times, hand = 0, list[int](), list[float](), list[tuple[int, int, int]]()
        for seed in range(many):
            instance = KINDS[kind](seed)
            plan, took = planned(instance, seconds)
            times.append(took)
            hand += [_by_hand(sheet) for sheet in plan["sheets"]]  # type: ignore[attr-defined]
            unplaced, sheets = len(plan["unplaced"]), int(str(plan["whole_sheets_used"]))  # type: ignore[arg-type]
            over.append(sheets - instance.sheets)
            good = unplaced <= instance.unplaced and sheets <= instance.sheets
            best += good
            if not good:
                print(f"    {instance.name}: {sheets} sheets for {instance.sheets}, {unplaced} without a place")
        wanted = WANTED[kind][seconds > 5]
        share, late = 100 * best / many, max(times)
        print(
            f"{kind:<14} {seconds:g} s: {share:5.1f} % at the best known, {max(over)} sheets over at most; "
            f"median {statistics.median(times):.2f} s, longest {late:.2f} s; wanted {wanted}",
            flush=True,
        )
        pieces, cuts, settings = (sum(one) for one in zip(*hand, strict=True))
        print(f"{'':<14} {cuts / pieces:.2f} cuts and {settings / pieces:.2f} settings a piece", flush=True)


def _by_hand(layout: dict[str, Any]) -> tuple[int, int, int]:
    """The pieces of a sheet, its cuts, and how often the trimmer is set: equal settings in a row count once."""
    pieces, settings, last = len(layout["placements"]), 0, None
    for step in layout["steps"]:
        near = step["of"]["x" if step["axis"] == "vertical" else "y"]
        setting = round(step["at"] - near, 6)
        settings += setting != last
        last = setting
    cuts = len(layout["steps"])
    for placed in layout["placements"]:
        if placed.get("panel"):
            inner = _by_hand(placed["panel"])
            pieces, cuts, settings = pieces + inner[0], cuts + inner[1], settings + inner[2]
    return pieces, cuts, settings


if __name__ == "__main__":
    asked = sys.argv[1:] + ["2", "20", "all"][len(sys.argv) - 1 :]
    table(float(asked[0]), int(asked[1]), list(KINDS) if asked[2] == "all" else asked[2:])
