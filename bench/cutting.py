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
        best, over, times = 0, list[int](), list[float]()
        for seed in range(many):
            instance = KINDS[kind](seed)
            plan, took = planned(instance, seconds)
            times.append(took)
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


if __name__ == "__main__":
    asked = sys.argv[1:] + ["2", "20", "all"][len(sys.argv) - 1 :]
    table(float(asked[0]), int(asked[1]), list(KINDS) if asked[2] == "all" else asked[2:])
