"""The simulated cutting machine: what it refuses and where, its way along the lines, blade, slip, bed; and the line."""

from __future__ import annotations

import time
import xml.etree.ElementTree as ET
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.standins.program import Program
from tests.standins.test_photo_printer import until
from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import box
from ulna.core.measure import inches
from ulna.formats.machine import as_dxf
from ulna.machines.cutting_machine.line import Line
from ulna.machines.cutting_machine.words import Job, LineOut
from ulna.machines.wire import NoAnswer, Refused
from ulna.standins.cutting_machine import machine as machines
from ulna.standins.cutting_machine import reading, way
from ulna.standins.cutting_machine.machine import Machine
from ulna.standins.cutting_machine.program import create_cutting_machine

SHEET = inches(6), inches(4)


def svg(*paths: str, does: str = "through", width: str = "6in", view: str = "0 0 6 4") -> bytes:
    lines = "".join(f'<g data-piece="{k + 1}"><path d="{d}"/></g>' for k, d in enumerate(paths))
    head = f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}" viewBox="{view}">'
    return f'{head}<g data-does="{does}">{lines}</g></svg>'.encode()


def square(x: float, y: float, size: float) -> str:
    return polygons.path(box(x, y, size, size))


@pytest.fixture
def machine(tmp_path: Path) -> Iterator[Machine]:
    """A quick one: a thousand inches a second."""
    running = Machine(tmp_path, speed=1_000)
    yield running
    running.switch_off()


def state(machine: Machine, job: Job, *states: str) -> Callable[[], bool]:
    return lambda: machine.job(job.id).state in states


# ---- files -----------------------------------------------------------------------------------------------------------


def test_units_groups_and_curves_are_read() -> None:
    """In millimetres, moved by its group, a curve drawn out; the piece and what is done come from the groups."""
    drawn = b"""<svg xmlns="http://www.w3.org/2000/svg" width="254mm" viewBox="0 0 254 100"><g data-does="crease">
    <g transform="translate(25.4 12.7)" data-piece="7"><path d="M0 0L25.4 0"/><path data-does="through"
    d="M0 0c0 25.4 25.4 25.4 25.4 0z"/></g></g></svg>"""
    crease, curve = reading.lines(drawn)
    assert (crease.does, crease.closed, crease.piece) == ("crease", False, "7")
    assert crease.points == [pytest.approx((1.0, 0.5)), pytest.approx((2.0, 0.5))]
    assert (curve.does, curve.closed) == ("through", True) and len(curve.points) > 10
    assert max(y for _, y in curve.points) == pytest.approx(0.5 + 0.75, abs=0.01), "3/4 of its arms"


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"nothing at all", "no SVG and no DXF"),
        (b"<svg", "this is no SVG"),
        (b'<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', "declarations of its own"),
        (svg(square(1, 1, 1), does="laser"), "nothing the machine does"),
        (svg(square(1, 1, 1), width="6ell"), "no unit I know"),
        (svg(square(1, 1, 1), view="0 0 0 0"), "its view has no width"),
        (svg("M 1 1 L x"), "cannot be read"),
        (svg(), "there is no line in it"),
        (svg(square(1, 1, 1)).replace(b"<path", b'<path transform="rotate(9)"'), "does not turn"),
    ],
)
def test_a_file_that_says_nothing_sensible_is_refused_in_a_sentence(data: bytes, says: str) -> None:
    with pytest.raises(FieldError, match=says):
        reading.lines(data)


def test_a_dxf_says_by_its_layers_what_is_done() -> None:
    from tests.core.cutting.test_nesting import HALF, MACHINE, title
    from tests.core.examples import paper
    from ulna.core.cutting.cut_list import CutList
    from ulna.core.cutting.traced import nest, wanted
    from ulna.core.measure import Unit
    from ulna.core.paper.shelf import Shelf

    shelf = Shelf.of([paper("kraft")])
    found = nest(list(wanted(title("LO"), (), shelf)), shelf, MACHINE, Unit.INCH, 1, HALF)
    lines = reading.lines(as_dxf(CutList(found.sheets)).encode())
    assert [line.does for line in lines] == ["through"] * 3, "an L, and an O with its counter"
    assert max(y for line in lines for _, y in line.points) < 12


# ---- what it refuses -------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("path", "does", "says"),
    [
        (
            square(5, 1, 1),
            "through",
            "it comes nearer to the paper's edge than 1/4",
        ),
        (square(-1, 1, 1), "through", "it lies off the paper"),
        ("M1 1L2 1L2 2", "through", "it is open, so nothing would come out"),
        (square(1, 1, 0.1), "through", "it is smaller than 3/16, and the blade does not turn in it"),
    ],
)
def test_a_line_that_cannot_be_cut_is_refused_with_where(machine: Machine, path: str, does: str, says: str) -> None:
    with pytest.raises(FieldError) as told:
        machine.take("title", *SHEET, svg(path, does=does))
    assert says in told.value.sentence and "from the left and" in told.value.sentence


def test_a_line_off_the_bed_is_refused(machine: Machine) -> None:
    with pytest.raises(FieldError, match="off the bed"):
        machine.take("banner", inches(20), inches(4), svg(square(13, 1, 1), width="20in", view="0 0 20 4"))


def test_an_open_line_may_be_creased(machine: Machine) -> None:
    job = machine.take("card", *SHEET, svg("M1 1L4 1", does="crease"))
    until(state(machine, job, "done"))


# ---- its way ---------------------------------------------------------------------------------------------------------

squares = st.lists(
    st.tuples(st.integers(0, 9), st.integers(0, 9), st.integers(1, 4)), min_size=1, max_size=12, unique=True
)


@given(squares)
@settings(max_examples=60, deadline=None)
def test_inner_lines_come_before_the_outer_ones(found: list[tuple[int, int, int]]) -> None:
    """Every line is made once, and none that lies in another after it: paper that is cut free would move."""
    lines = [
        LineOut(piece=str(k), does="through", points=list(box(x, y, s, s)), closed=True)
        for k, (x, y, s) in enumerate(found)
    ]
    ordered = way.in_order(lines)
    assert sorted(line.piece for line in ordered) == sorted(line.piece for line in lines)
    at = {line.piece: k for k, line in enumerate(ordered)}
    for inner in lines:
        for outer in lines:
            x, y, s = found[int(inner.piece)]
            u, v, t = found[int(outer.piece)]
            if u < x and v < y and x + s < u + t and y + s < v + t:
                assert at[inner.piece] < at[outer.piece]


def test_small_before_large_and_short_ways_between() -> None:
    """A large square beside two small ones: the small ones first, the nearer of them first."""
    lines = [
        LineOut(piece=name, does="through", points=list(box(x, 1, size, size)), closed=True)
        for name, x, size in (("large", 0.5, 3), ("far", 9, 0.5), ("near", 5, 0.5))
    ]
    assert [line.piece for line in way.in_order(lines)] == ["near", "far", "large"]


def test_pen_and_creases_come_while_the_paper_is_whole() -> None:
    lines = [LineOut(piece=does, does=does, points=[(1, 1), (2, 1), (2, 2)], closed=True) for does in reading.DOES]
    assert [line.does for line in way.in_order(lines)] == ["pen", "crease", "through"]


# ---- at work ---------------------------------------------------------------------------------------------------------


def test_a_sheet_is_cut_and_its_tray_shows_it_at_true_size(machine: Machine) -> None:
    job = machine.take("title", *SHEET, svg(square(1, 1, 1), square(3, 1, 1)))
    assert job.left > 0
    until(state(machine, job, "done"))
    assert [line.fate for line in machine.job(job.id).lines] == ["done", "done"] and machine.stands().bed_full
    assert machine.stands().blade == pytest.approx(machines.BLADE - 8)


def test_a_second_sheet_waits_until_the_bed_is_cleared(machine: Machine) -> None:
    first, second = (machine.take(name, *SHEET, svg(square(1, 1, 1))) for name in ("one", "two"))
    until(state(machine, second, "stopped"))
    assert machine.job(first.id).state == "done" and machine.job(second.id).trouble == "bed full"
    machine.empty()
    until(state(machine, second, "done"))


@pytest.fixture
def slow(tmp_path: Path) -> Iterator[Machine]:
    """One inch in a tenth of a second."""
    running = Machine(tmp_path, speed=10)
    yield running
    running.switch_off()


def test_paper_that_slips_spoils_the_line_it_was_at_and_no_other(slow: Machine) -> None:
    job = slow.take("title", *SHEET, svg(square(0.5, 0.5, 1), square(2, 0.5, 1), square(3.5, 0.5, 1)))
    until(lambda: slow.job(job.id).done >= 1)
    slow.slip()
    stopped = slow.job(job.id)
    assert (stopped.state, stopped.trouble) == ("stopped", "paper slipped") and "Lay it straight" in stopped.says
    time.sleep(0.2)
    assert slow.job(job.id).lines == stopped.lines, "it waits for hands"
    slow.straighten()
    until(state(slow, job, "done"))
    fates = [line.fate for line in slow.job(job.id).lines]
    assert fates.count("spoiled") == 1 and fates.count("done") == 2


def test_a_worn_blade_stops_it_and_a_new_one_goes_on(slow: Machine) -> None:
    job = slow.take("title", *SHEET, svg(square(0.5, 0.5, 1), square(2, 0.5, 1)))
    slow.wear()
    until(state(slow, job, "stopped"))
    assert slow.job(job.id).trouble == "blade worn"
    slow.new_blade()
    until(state(slow, job, "done"))


def test_a_job_is_paused_goes_on_and_is_stopped(slow: Machine) -> None:
    job = slow.take("title", *SHEET, svg(square(0.5, 0.5, 1), square(2, 0.5, 1)))
    until(lambda: slow.job(job.id).done >= 1)
    assert slow.pause(job.id).state == "paused"
    assert slow.resume(job.id).state == "waiting"
    assert slow.cancel(job.id).state == "cancelled"
    assert slow.cancel(job.id).state == "cancelled" and slow.stands().bed_full


def test_it_goes_on_where_it_was_after_it_was_switched_off(tmp_path: Path) -> None:
    first = Machine(tmp_path, speed=10)
    job = first.take("title", *SHEET, svg(square(0.5, 0.5, 1), square(2, 0.5, 1)))
    until(lambda: first.job(job.id).done >= 1)
    first.switch_off()
    again = Machine(tmp_path, speed=1_000)
    until(state(again, job, "done"))
    again.switch_off()


# ---- the line --------------------------------------------------------------------------------------------------------


@pytest.fixture
def program(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_cutting_machine(tmp_path, 1_000))
    yield running
    running.off()


def test_everything_goes_over_the_line_and_silence_is_told(program: Program) -> None:
    line = Line(program.address)
    job = line.send("Lock: Kraft 1", *SHEET, svg(square(1, 1, 1)))
    until(lambda: line.job(job.id).state == "done")
    tray = ET.fromstring(line.tray(job.id))
    assert (tray.get("width"), tray.get("height")) == ("6in", "4in")
    assert line.hand("empty").bed_full is False
    with pytest.raises(Refused, match="open"):
        line.send("open", *SHEET, svg("M1 1L2 1L2 2"))
    with pytest.raises(Refused, match="no such job"):
        line.act("job-gone", "pause")
    program.off()
    with pytest.raises(NoAnswer, match="the cutting machine does not answer; switch it on"):
        line.stands()


def test_it_may_be_asked_what_it_would_do(program: Program) -> None:
    """In which order and how long; it keeps nothing of it, and refuses as it would."""
    line = Line(program.address)
    would = line.look("title", *SHEET, svg(square(0.5, 0.5, 2), square(1, 1, 0.5)))
    assert [one.piece for one in would.lines] == ["2", "1"] and would.left > 0
    assert line.stands().jobs == []
    with pytest.raises(Refused, match="off the bed"):
        line.look("banner", inches(20), inches(4), svg(square(13, 1, 1), width="20in", view="0 0 20 4"))


def test_its_panel_is_a_page(program: Program) -> None:
    from urllib.request import urlopen

    page = urlopen(program.address).read().decode()
    assert "<title>Cutting machine</title>" in page and "A new blade is in" in page
