"""The simulated photo printer: runs out of paper, jams, is switched off, and goes on."""

from __future__ import annotations

import io
import time
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from pypdf import PdfReader, PdfWriter

from ulna.core.errors import FieldError
from ulna.core.measure import inches, mm
from ulna.machines.photo_printer.line import Line
from ulna.machines.photo_printer.words import Job, Loaded
from ulna.machines.wire import NoAnswer
from ulna.standins.photo_printer.machine import Machine

LETTER = Loaded(name="letter", width=inches(8, 1, 2), height=inches(11), sheets=10)


def pdf(pages: int, width: float = 612, height: float = 792) -> bytes:
    writer, out = PdfWriter(), io.BytesIO()
    for _ in range(pages):
        writer.add_blank_page(width, height)
    writer.write(out)
    return out.getvalue()


def until(true: Callable[[], bool]) -> None:
    end = time.monotonic() + 10
    while not true():
        assert time.monotonic() < end, "it never came to that"
        time.sleep(0.02)


@pytest.fixture
def machine(tmp_path: Path) -> Iterator[Machine]:
    running = Machine(tmp_path, seconds_a_sheet=0)
    yield running
    running.switch_off()


def stopped(machine: Machine, job: Job, printed: int) -> Callable[[], bool]:
    return lambda: machine.job(job.id).state == "stopped" and machine.job(job.id).printed == printed


def test_every_sheet_lies_in_the_tray(machine: Machine) -> None:
    """And is gone from the paper that was loaded."""
    machine.load(LETTER)
    job = machine.take("prints", pdf(3))
    until(lambda: machine.job(job.id).state == "done")
    assert len(PdfReader(io.BytesIO(machine.tray(job.id))).pages) == 3
    loaded = machine.stands().loaded
    assert loaded is not None and loaded.sheets == 7


def test_out_of_paper_half_way_it_says_so_and_goes_on(machine: Machine) -> None:
    """Once there is more."""
    machine.load(LETTER.model_copy(update={"sheets": 2}))
    job = machine.take("prints", pdf(3))
    until(stopped(machine, job, 2))
    assert machine.job(job.id).says == "Out of paper; 2 of 3 are printed. Load more and it goes on."
    machine.load(LETTER)
    until(lambda: machine.job(job.id).state == "done")


def test_paper_of_another_size_is_not_printed_on(machine: Machine) -> None:
    """A4 is not letter; letter lying is letter."""
    machine.load(Loaded(name="A4", width=mm(210), height=mm(297), sheets=5))
    job = machine.take("prints", pdf(1))
    until(stopped(machine, job, 0))
    assert machine.job(job.id).says.startswith("A4 is loaded, but this job wants another size")
    machine.load(Loaded(name="letter lying", width=inches(11), height=inches(8, 1, 2), sheets=1))
    until(lambda: machine.job(job.id).state == "done")


def test_a_jam_stops_it_until_the_sheet_is_out(machine: Machine) -> None:
    """The stuck sheet is lost, the print is made anew."""
    machine.load(LETTER)
    machine.jam()
    job = machine.take("prints", pdf(1))
    until(stopped(machine, job, 0))
    assert "stuck" in machine.job(job.id).says
    machine.jam(False)
    until(lambda: machine.job(job.id).state == "done")
    loaded = machine.stands().loaded
    assert loaded is not None and loaded.sheets == 8


def test_a_job_that_is_taken_back_prints_no_more(machine: Machine) -> None:
    """The next one has its turn."""
    one, other = machine.take("one", pdf(2)), machine.take("other", pdf(1))
    until(stopped(machine, one, 0))
    machine.cancel(one.id)
    machine.load(LETTER)
    until(lambda: machine.job(other.id).state == "done")
    assert machine.job(one.id).state == "cancelled"


def test_switched_off_in_the_middle_it_goes_on_where_it_was(tmp_path: Path) -> None:
    """With the paper that was in."""
    first = Machine(tmp_path, seconds_a_sheet=0)
    first.load(LETTER.model_copy(update={"sheets": 1}))
    job = first.take("prints", pdf(2))
    until(stopped(first, job, 1))
    first.switch_off()
    again = Machine(tmp_path, seconds_a_sheet=0)
    again.load(LETTER)
    until(lambda: again.job(job.id).state == "done")
    again.switch_off()


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "no PDF that can be printed"),
        (b"hello", "no PDF that can"),
        (pdf(0), "several sizes, or too many"),
    ],
)
def test_what_is_no_job_is_refused(machine: Machine, data: bytes, says: str) -> None:
    """With what is wrong."""
    with pytest.raises(FieldError, match=says):
        machine.take("prints", data)


def test_a_printer_that_is_not_there_gives_no_answer() -> None:
    """What would do is said."""
    with pytest.raises(NoAnswer, match="switch it on"):
        Line("http://127.0.0.1:9").stands()
