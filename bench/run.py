"""Prints how quick Ulna is on this machine, beside what it should be. Run with `make bench`."""

from __future__ import annotations

import gzip
import math
import re
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable
from dataclasses import replace
from itertools import count
from pathlib import Path
from typing import TYPE_CHECKING

ROOT = Path(__file__).parent.parent
sys.path[:0] = [str(ROOT), str(ROOT / "bench")]

import cutting  # noqa: E402
import drafts  # noqa: E402
import photos  # noqa: E402

from ulna.api.app import steady  # noqa: E402
from ulna.core import checks  # noqa: E402
from ulna.core.build.order import order  # noqa: E402
from ulna.core.cutting.demand import demand  # noqa: E402
from ulna.core.measure import Length, Ruler, inches, parse  # noqa: E402
from ulna.core.page.checked import checked  # noqa: E402
from ulna.core.page.evaluate import evaluate  # noqa: E402
from ulna.core.page.plan import PagePlan  # noqa: E402
from ulna.core.page.standing import placed_at, stand  # noqa: E402
from ulna.core.page_formats import of_kind  # noqa: E402
from ulna.core.paper.shelf import Shelf  # noqa: E402
from ulna.core.parts.kinds import Part  # noqa: E402
from ulna.core.parts.kinds.band import Band  # noqa: E402
from ulna.core.parts.kinds.photo import PhotoPart  # noqa: E402
from ulna.core.parts.kinds.pieced import Pieced, PiecedPattern  # noqa: E402
from ulna.core.parts.kinds.tiles import Tiles  # noqa: E402
from ulna.core.parts.kinds.title import Title  # noqa: E402
from ulna.core.parts.kinds.words import Words  # noqa: E402
from ulna.core.parts.lettering import Style  # noqa: E402
from ulna.core.parts.mats import Mat  # noqa: E402
from ulna.core.parts.pieces import Ground, PaperChoice  # noqa: E402
from ulna.core.parts.place import Across, Down, Place  # noqa: E402
from ulna.core.photos.prints import Print  # noqa: E402
from ulna.core.planner import plan_cuts  # noqa: E402
from ulna.core.words.writing import USUAL_HANDS  # noqa: E402
from ulna.demo import kits  # noqa: E402
from ulna.formats.documents import read, written  # noqa: E402
from ulna.formats.faces import SHIPPED  # noqa: E402

if TYPE_CHECKING:
    from playwright.sync_api import Page

WEB = ROOT / "src/ulna/web"


def page_of(parts: int) -> PagePlan:
    """A double page of so many photos, each on one mat: twice as many pieces and more."""
    placed = [
        PhotoPart(
            f"p{k}",
            Print(None, inches(2), inches(2)),
            (Mat(choice=PaperChoice("towpath-ink")),),
            Place("spread", Across("left", parse(f"{k % 10 * 2}")), Down("top", parse(f"{k // 10}"))),
        )
        for k in range(parts)
    ]
    return PagePlan(f"{parts} parts", of_kind("12x12", 2), parts=tuple(placed))


def rich_page() -> PagePlan:
    """A double page of some three hundred pieces: tiles, pieced blocks, bands, and a few photos to drag."""
    papers = tuple(PaperChoice(f"towpath-{name}") for name in ("reed-bed", "still-water", "lock-brick", "log-book"))

    def at(k: int, down: str) -> Place:
        return Place("spread", Across("left", inches(1 + 5 * k)), Down("top", parse(down)))

    size, tall = parse("1 1/8"), inches(5)
    parts: list[Part] = [
        Tiles(f"t{k}", size=size, width=inches(10), height=tall, papers=papers, seed=k + 1, place=at(k, "1/2"))
        for k in range(4)
    ]
    patterns: tuple[PiecedPattern, ...] = ("herringbone", "log cabin", "pinwheel", "triangle")
    parts += [
        Pieced(f"p{k}", pattern, inches(4), inches(4), parse("1/2"), papers, place=at(k, "6 1/2"))
        for k, pattern in enumerate(patterns)
    ]
    parts += [Band(f"b{k}", 9, parse("1/4"), inches(5), papers=papers, place=at(k, "11")) for k in range(4)]
    parts.append(PhotoPart("photo", Print(None, inches(2), inches(2)), (Mat(choice=papers[0]),), at(1, "5")))
    return PagePlan("300 pieces", of_kind("12x12", 2), parts=tuple(parts))


def timed(act: Callable[[], object], times: int) -> list[float]:
    """Milliseconds of each run, after one to warm up."""
    act()
    found = []
    for _ in range(times):
        start = time.perf_counter()
        act()
        found.append(1000 * (time.perf_counter() - start))
    return found


def say(what: str, found: list[float], wanted: str) -> None:
    p95 = statistics.quantiles(found, n=20)[-1] if len(found) > 1 else found[0]
    print(f"{what:<52} median {statistics.median(found):7.1f} ms   95th {p95:7.1f} ms   wanted {wanted}")


def lettered(ground: Ground) -> None:
    """A title of sixty characters in two alphabets, a block of three hundred words: after each key that is pressed."""
    block, small = (Style(alphabet.id) for alphabet in kits.towpath().alphabets)
    text = "Twenty-one locks before tea\nand the heron never once looked\nround"
    title, words = Title("t", text, (small, block)), Words("w", "heron lock " * 150, width=inches(8))
    little = (Length(900 * k) for k in count(1))

    def typed(part: Callable[[Length], Part]) -> list[float]:
        return timed(lambda: evaluate(PagePlan("p", parts=(part(next(little)),)), ground), 60)

    say("a title of 60 characters in two alphabets", typed(lambda by: replace(title, letters=by)), "30 ms")
    say("… its lines nested", typed(lambda by: replace(title, nested=True, letters=by)), "30 ms")
    say("a block of 300 words", typed(lambda by: replace(words, width=inches(8) + by)), "30 ms")


def looked_at(ground: Ground) -> None:
    """A page of some three hundred pieces checked, and put in order, after one of its photos was moved."""
    plan = rich_page()
    photo = plan.parts[-1]
    downs = (Down("top", inches(5, k % 16, 16)) for k in count(1))

    def moved() -> PagePlan:
        part = replace(photo, place=replace(photo.place, down=next(downs)))  # type: ignore[union-attr,arg-type]
        return replace(plan, parts=(*plan.parts[:-1], part))

    worked = [(one, evaluate(one, ground).pieces, stand(one.parts, ground)) for one in (moved() for _ in range(21))]
    turn = count()

    def looked() -> None:
        one, pieces, standing = worked[next(turn) % len(worked)]
        list(checks.looked(one, pieces, standing, ground, placed_at))

    def told() -> None:
        checked(worked[next(turn) % len(worked)][0], ground)

    def ordered() -> None:
        one, pieces, standing = worked[next(turn) % len(worked)]
        order(one, pieces, standing, ground)

    many = len(worked[0][1])
    say(f"all checks of a page of {many} pieces", timed(looked, 40), "50 ms")
    say("… all that is told of it, one part moved", timed(told, 40), "50 ms")
    say("… its order of building", timed(ordered, 40), "100 ms")


def nested() -> None:
    """A title of sixteen letters nested on scraps and a sheet, and sent to a machine that answers at once."""
    from tests.core.cutting.test_nesting import HALF, MACHINE, title
    from tests.core.examples import paper, scrap
    from tests.standins.program import Program

    from ulna.core.cutting.traced import nest, wanted
    from ulna.core.measure import Unit
    from ulna.formats.machine import as_job
    from ulna.machines.cutting_machine.line import Line
    from ulna.standins.cutting_machine.program import create_cutting_machine

    shelf = Shelf.of([paper("kraft"), scrap("rest", "kraft", "6", "3"), scrap("strip", "kraft", "12", "2")])
    cuts = title("TWENTY-ONE LOCKS")
    with tempfile.TemporaryDirectory() as folder:
        machine = Program(lambda: create_cutting_machine(Path(folder), 4))
        line = Line(machine.address)

        def send() -> None:
            for sheet in nest(list(wanted(cuts, (), shelf)), shelf, MACHINE, Unit.INCH, 1, HALF).sheets:
                line.send("bench", sheet.width, sheet.height, as_job(sheet))

        say("outlines of a title nested and sent", timed(send, 5), "2 000 ms")
        machine.off()


def clubbed() -> None:
    """A club's kit of forty sheets taken in."""
    from tests.api.client import client_of
    from tests.standins.program import Program

    from ulna.household.outside import Outside
    from ulna.standins.kit_club import kits as club_kits
    from ulna.standins.kit_club.program import create_club

    offer = club_kits.OFFERS["2026-11"]
    every = [replace(one, id=f"{one.id}-{k}", name=f"{one.name} {k}") for k in range(4) for one in offer.kit.papers]
    large = replace(offer, code="large", kit=replace(offer.kit, papers=tuple(every[:40])))
    with tempfile.TemporaryDirectory() as folder:
        club_kits.OFFERS["large"] = large
        club = Program(lambda: create_club(Path(folder) / "club"))
        found = list[float]()
        for k in range(5):
            with client_of(Path(folder) / f"home-{k}", Outside(club=club.address)) as api:
                start = time.perf_counter()
                items = [one["id"] for one in api.get("/api/club/kits/large").json()["items"]]
                assert api.post("/api/club/take", json={"code": "large", "items": items}).status_code == 201
                found.append(1000 * (time.perf_counter() - start))
        club.off()
        say("a kit of 40 sheets taken in from the club", found, "5 000 ms")


def core() -> None:
    steady()  # as the server does
    plan = page_of(100)
    shelf = Shelf.of(list(kits.towpath().papers))
    ground = Ground(plan.format, shelf, {}, Ruler(), SHIPPED, {hand.id: hand for hand in USUAL_HANDS})
    widths = (inches(1 + k % 2, k, 100) for k in count(1))

    def one_changed() -> None:
        first = replace(plan.parts[0], print=Print(None, next(widths), inches(2)))
        evaluate(replace(plan, parts=(first, *plan.parts[1:])), ground)

    say("evaluate a page of 100 parts, one of them changed", timed(one_changed, 60), "30 ms")
    say("… all of them new", timed(lambda: evaluate(plan, replace(ground, worked={}, placed={})), 60), "30 ms")
    rich = rich_page()
    many = len(evaluate(rich, ground).pieces)
    gaps = (Length(900 * k) for k in count(1))

    def tile_gap_changed() -> None:
        first = replace(rich.parts[0], gap=next(gaps))  # type: ignore[call-arg]
        evaluate(replace(rich, parts=(first, *rich.parts[1:])), ground)

    say(f"evaluate {many} pieces of tiles and strips, one part changed", timed(tile_gap_changed, 60), "30 ms")
    say("… all of them new", timed(lambda: evaluate(rich, replace(ground, worked={}, placed={})), 60), "30 ms")
    lettered(ground)
    looked_at(replace(ground, format=rich_page().format))
    body = written(plan)
    say("… read from JSON before", timed(lambda: read(PagePlan, body), 60), "-")
    pieces = evaluate(page_of(20), ground).pieces
    say(
        "plan its cuts while it is made (20 parts)",
        timed(lambda: plan_cuts(demand(pieces, shelf), 60_000), 10),
        "100 ms",
    )


def start(home: Path) -> tuple[subprocess.Popen[str], str, float]:
    """A served household: the process, its address, and milliseconds to the first answer."""
    begun = time.perf_counter()
    command = [sys.executable, "-m", "ulna", "demo", "--home", str(home), "--port", "0"]
    server = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
    address = ""
    while server.stdout and not address:
        found = re.search(r"http://\S+", server.stdout.readline())
        address = found.group() if found else ""
    while True:
        try:
            urllib.request.urlopen(f"{address}/api/settings").read()
            return server, address, 1000 * (time.perf_counter() - begun)
        except OSError:
            time.sleep(0.02)


def starts(home: Path) -> tuple[subprocess.Popen[str], str]:
    server, address, cold = start(home)
    print(f"{'cold start, the demo household made by code':<52} {cold / 1000:14.1f} s")
    for _ in range(2):
        server.terminate()
        server.wait()
        server, address, warm = start(home)
    print(f"{'warm start to the first answer':<52} {warm / 1000:14.1f} s                        wanted 5 s")
    return server, address


def script() -> None:
    """What the browser loads for the first screen: the entry, its imports, and one bench."""
    index = (WEB / "index.html").read_text()
    entry = set(re.findall(r'/assets/([\w.-]+\.js)"', index))
    pages = next(file.name for file in (WEB / "assets").glob("Pages-*.js"))
    wanted, seen = [*entry, pages], set[str]()
    while wanted:
        name = wanted.pop()
        if name not in seen:
            seen.add(name)
            text = (WEB / "assets" / name).read_text()
            wanted += re.findall(r'from\s*"\./([\w.-]+\.js)"', text) + re.findall(
                r'import\s*"\./([\w.-]+\.js)"', text
            )
    size = sum(len(gzip.compress((WEB / "assets" / name).read_bytes())) for name in seen)
    print(
        f"{'script of the first screen, gzipped':<52} {size / 1024:13.0f} KB                        wanted 350 KB"
    )


WATCH = """() => {
  let asked = 0;
  window.drawn = [];
  addEventListener('pointermove', () => { asked = performance.now() }, true);
  const drawn = () => { if (asked) window.drawn.push(performance.now() - asked); asked = 0 };
  new MutationObserver(() => requestAnimationFrame(drawn))
    .observe(document.querySelector('[data-part=heron]'), {attributes: true, attributeFilter: ['style']});
}"""


def two_devices(address: str) -> None:
    """From a change that is saved on one device to its being drawn on another that looks at the same page."""
    from playwright.sync_api import sync_playwright
    from tests.browser.conftest import launch

    with sync_playwright() as playwright:
        browser = launch(playwright)
        desk, tablet = (browser.new_context().new_page() for _ in range(2))
        kept = desk.request.post(f"{address}/api/pages", data={"page": written(page_of(3)), "what": "bench"}).json()
        tablet.goto(f"{address}/page/{kept['saved']['id']}")
        name = tablet.get_by_label("Name of the page")
        name.wait_for()
        found = list[float]()
        for k in range(10):
            body = {
                "page": kept["page"] | {"name": f"Change {k}"},
                "version": kept["saved"]["version"],
                "what": "bench",
            }
            kept = desk.request.put(f"{address}/api/pages/{kept['saved']['id']}", data=body).json()
            start = time.perf_counter()
            while name.input_value() != f"Change {k}":
                tablet.wait_for_timeout(10)
            found.append(1000 * (time.perf_counter() - start))
        say("a change drawn on the other device", found, "1 000 ms")
        browser.close()


def dragging(address: str) -> None:
    """From a move of the pointer to the part drawn at its new place, in the real Chromium; then a page of forty pieces
    and one of three hundred under the hand."""
    from playwright.sync_api import sync_playwright
    from tests.browser.conftest import launch
    from tests.browser.deeds import loaded, watch

    with sync_playwright() as playwright:
        page = launch(playwright).new_page()
        watch(page)
        page.goto(f"{address}/page")
        page.get_by_role("link", name="Twenty-one locks").click()
        loaded(page)
        box = page.locator("[data-part=heron]").bounding_box()
        assert box is not None
        x, y = box["x"] + 60, box["y"] + 90
        page.evaluate(WATCH)
        page.mouse.move(x, y)
        page.mouse.down()
        for k in range(60):
            page.mouse.move(x + 2 * k, y + k)
            page.wait_for_timeout(60)
        page.mouse.up()
        say("from drag to drawn", page.evaluate("drawn"), "100 ms")
        for plan, part in ((page_of(40), "p5"), (rich_page(), "photo")):
            body = {"page": written(plan), "what": "bench"}
            kept = page.request.post(f"{address}/api/pages", data=body).json()
            page.goto(f"{address}/page/{kept['saved']['id']}")
            page.locator(f"[data-part={part}]").wait_for()
            loaded(page)
            at_the_table(page, part, plan.name)


def at_the_table(page: Page, part: str, called: str) -> None:
    """Dragging a part, coming closer by the wheel, typing its width: from picture to picture."""
    box = page.locator(f"[data-part={part}]").bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    wanted = "17 ms (60 a second)"
    page.mouse.move(x, y)
    page.mouse.down()
    page.evaluate(FRAMES)
    for k in range(120):
        page.mouse.move(x + k, y + (k % 40))
    say(f"dragging on {called}, picture to picture", page.evaluate("drawn"), wanted)
    page.mouse.up()
    page.wait_for_timeout(1000)
    page.keyboard.down("Control")
    page.evaluate(FRAMES)
    for k in range(60):
        page.mouse.wheel(0, -40 if k < 30 else 40)
        page.wait_for_timeout(8)
    say(f"zooming on {called}", page.evaluate("drawn"), wanted)
    page.keyboard.up("Control")
    page.wait_for_timeout(1000)
    field = page.get_by_label("Name of the page")
    field.focus()
    page.evaluate(FRAMES)
    for letter in "Twenty-one locks before tea, and rain on the roof":
        page.keyboard.type(letter)
        page.wait_for_timeout(8)
    say(f"typing on {called}", page.evaluate("drawn"), wanted)
    page.keyboard.press("Escape")


FRAMES = """() => {
  window.drawn = [];
  let last = 0;
  const frame = (now) => { if (last) window.drawn.push(now - last); last = now; requestAnimationFrame(frame) };
  requestAnimationFrame(frame);
}"""


def cropping(address: str) -> None:
    """From picture to picture while the crop's frame is dragged over a photo, in the real Chromium."""
    from playwright.sync_api import sync_playwright
    from tests.browser.conftest import launch
    from tests.browser.deeds import loaded, watch

    with sync_playwright() as playwright:
        page = launch(playwright).new_page()
        watch(page)
        page.goto(f"{address}/photos")
        page.get_by_role("link", name="Moored for the night").click()
        page.get_by_label("Print: usual size").select_option(label="4 × 4")
        loaded(page)
        box = page.get_by_label("Crop of Moored").bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.evaluate(FRAMES)
        for k in range(120):
            page.mouse.move(x + 80 * math.sin(k / 12), y)
            page.wait_for_timeout(8)
        found = page.evaluate("drawn")
        page.mouse.up()
        say("from picture to picture while cropping", found, "17 ms (60 a second)")


def main() -> None:
    core()
    cutting.table(2, 10, list(cutting.KINDS))
    drafts.table()
    nested()
    clubbed()
    script()
    photos.memory()
    with tempfile.TemporaryDirectory() as folder:
        server, address = starts(Path(folder) / "home")
        try:
            two_devices(address)
            dragging(address)
            cropping(address)
            photos.roll(address)
        finally:
            server.terminate()
            server.wait()


if __name__ == "__main__":
    main()
