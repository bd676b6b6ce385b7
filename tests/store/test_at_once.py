"""Several at once: threads and programs on one library, and a program that is killed while it writes."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import threading
from pathlib import Path

from ulna.store.errors import Changed
from ulna.store.library import Library


def test_of_two_that_write_the_same_version_one_is_told(tmp_path: Path) -> None:
    """Never both, never neither; every state that was taken is in the history."""
    library = Library(tmp_path)
    kept = library.add("kit", {"n": 0}, "made")
    taken, told = [], []
    start = threading.Barrier(8)

    def write(n: int) -> None:
        start.wait()
        try:
            library.write("kit", kept.id, kept.version, {"n": n}, f"wrote {n}")
            taken.append(n)
        except Changed:
            told.append(n)

    threads = [threading.Thread(target=write, args=(n,)) for n in range(1, 9)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert (len(taken), len(told)) == (1, 7)
    assert library.get("kit", kept.id).body == {"n": taken[0]}


def test_two_libraries_on_one_folder_see_each_other(tmp_path: Path) -> None:
    """The command line and the application may be open together."""
    one, two = Library(tmp_path), Library(tmp_path)
    kept = one.add("kit", {"n": 1}, "made")
    before = one.stamps(["kit"])
    two.write("kit", kept.id, kept.version, {"n": 2}, "wrote")
    assert one.get("kit", kept.id).body == {"n": 2} and one.stamps(["kit"]) != before


WRITER = """
import sys
from pathlib import Path
from ulna.store.library import Library
library = Library(Path(sys.argv[1]))
kept = library.add("kit", {"n": 0, "weight": "x" * 20000}, "made", id="kit-1")
print("began", flush=True)
for n in range(1, 100000):
    kept = library.write("kit", kept.id, kept.version, {"n": n, "weight": "x" * 20000}, f"wrote {n}")
    if n == 20:
        print("at it", flush=True)
"""


def test_a_program_killed_while_it_writes_leaves_whole_states(tmp_path: Path) -> None:
    """The last state that was taken is there, and undo leads through all before it."""
    writer = subprocess.Popen([sys.executable, "-c", WRITER, str(tmp_path)], stdout=subprocess.PIPE, text=True)
    assert writer.stdout is not None and writer.stdout.readline() == "began\n"
    assert writer.stdout.readline() == "at it\n"
    os.kill(writer.pid, signal.SIGKILL)
    writer.wait()
    library = Library(tmp_path)
    kept = library.get("kit", "kit-1")
    assert kept.body["n"] > 0 and kept.what == f"wrote {kept.body['n']}"
    for n in range(min(kept.body["n"], 5)):
        back = library.undo("kit", "kit-1", kept.version)
        assert back.body["n"] == kept.body["n"] - 1, n
        kept = back
