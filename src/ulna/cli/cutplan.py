"""A request for cuts in, a plan out: what `ulna cutplan` does.

It imports nothing that the planning does not need: starting counts towards the seconds that a request allows.
"""

from __future__ import annotations

import json
import sys
import time
from pathlib import Path

from ulna.core.planner import plan_cuts
from ulna.core.planner.effort import allowed, effort_of
from ulna.formats import cut_json


def cutplan(request: str) -> int:
    """Prints the plan of a request (a file, or - for standard input); the exit status: 3 where pieces are unplaced.

    Raises `FieldError` for a request that is refused, `OSError` for a file that cannot be read.
    """
    start = time.monotonic() - time.process_time()  # what starting took counts, which is much on a slow machine
    text = sys.stdin.buffer.read() if request == "-" else Path(request).read_bytes()
    asked, unit, seconds = cut_json.read(text)
    end = start + allowed(seconds)
    plan = plan_cuts(asked, effort_of(seconds), lambda: time.monotonic() > end, hands=2)
    # Indented to be read; of hundreds of sheets that takes longer than the planning.
    indent = 1 if len(plan.sheets) < 100 else None
    print(json.dumps(cut_json.write(plan, unit, time.monotonic() - start), ensure_ascii=False, indent=indent))
    return 3 if plan.unplaced else 0
