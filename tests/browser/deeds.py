"""What a person does, in the words of the interface."""

from __future__ import annotations

import io
import re
import time
from pathlib import Path
from typing import Any
from weakref import WeakKeyDictionary

from PIL import Image, ImageDraw
from playwright.sync_api import Locator, Page, Request, expect

KIT = """name,kind,width,height,count,stock,strip edge,strip depth,a pattern,a colours
Cream,sheet,12,12,4,card stock,,,plain,#f6efe0
Reeds,sheet,12,12,2,patterned,bottom,1/2,leaf,#eef1e4 #6f8a5c
Ink,sheet,30.48 cm,12,3,card stock,,,plain,#2b3138
"""


def jpeg(folder: Path, name: str, width: int, height: int) -> Path:
    """A picture of a hill, as a camera would write it."""
    image = Image.new("RGB", (width, height), "#9cc3d8")
    ImageDraw.Draw(image).polygon([(0, height), (width // 2, height // 3), (width, height)], fill="#4f6b3c")
    out = io.BytesIO()
    image.save(out, "JPEG", comment=name)  # so that two of them are two files
    file = folder / name
    file.write_bytes(out.getvalue())
    return file


def unpack_csv(page: Page, folder: Path, text: str = KIT) -> None:
    """From an empty household: brings a kit in from a CSV file."""
    file = folder / "towpath.csv"
    file.write_text(text)
    page.goto("/")
    page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(file)
    page.get_by_role("button", name="in as a kit").click()
    expect(page.get_by_label("Name of the kit")).to_have_value("towpath")


def kit_there(page: Page, text: str = KIT) -> None:
    """A kit that was unpacked before the test begins."""
    file = {"name": "towpath.csv", "mimeType": "text/csv", "buffer": text.encode()}
    rows = page.request.post("/api/kits/read-csv", multipart={"file": file}).json()
    kit = {"name": "towpath", "papers": rows["papers"], "things": rows["things"]}
    assert page.request.post("/api/kits", data={"kit": kit}).ok


def page_there(page: Page, pages: int = 1) -> None:
    """A 12 × 12 page that was begun before the test does, open at its bench."""
    bases = [{"kind": "base", "id": f"base-{on}", "on": on} for on in ("left", "right")[:pages]]
    format = {"kind": "12x12", "width": "12 in", "height": "12 in", "pages": pages}
    answer = page.request.post("/api/pages", data={"page": {"name": "New page", "format": format, "parts": bases}})
    page.goto(f"/page/{answer.json()['saved']['id']}")
    expect(page.get_by_label("The page at scale")).to_be_visible()


def add_photos(page: Page, *files: Path) -> None:
    page.goto("/photos")
    page.get_by_label("Photos", exact=True).set_input_files(list(files))
    expect(page.get_by_role("listitem")).to_have_count(len(files))


def begin_page(page: Page, many: str = "double") -> None:
    page.goto("/page")
    page.get_by_label("Single or double").select_option(label=many)
    page.get_by_role("button", name="Begin a page").click()
    expect(page.get_by_label("The page at scale")).to_be_visible()


def add_photo_parts(page: Page, names: list[str], how: str) -> None:
    """Adds photos from the chooser, each on its own mat or together on one."""
    page.get_by_role("button", name="Photos", exact=True).click()
    for name in names:
        page.get_by_role("dialog").get_by_role("button", name=name).click()
    page.get_by_role("button", name=how).click()
    expect(page.get_by_role("dialog")).to_have_count(0)


def add_part(page: Page, word: str, name: str | None = None) -> None:
    """Types a word and takes the first that it finds, or the one of that name; done once it is in the recipe."""
    rows = page.get_by_role("list", name="Recipe").get_by_role("listitem")
    expect(rows).not_to_have_count(0)
    before = rows.count()
    field = page.get_by_label("Add to the page")
    field.click()
    field.fill(word)
    found = page.get_by_role("listbox").get_by_role("option")
    option = found.get_by_text(name, exact=True) if name else found.first
    expect(option).to_be_visible()
    if name is None:
        field.press("Enter")
    else:
        option.click()
    expect(rows).to_have_count(before + 1)


def row(page: Page, words: str) -> Locator:
    """The line of the recipe that says this, or holds these values while it is chosen."""
    return page.get_by_role("list", name="Recipe").get_by_role("listitem").filter(has_text=words)


def choose_paper(page: Page, label: str, words: str) -> None:
    """Types a paper's name and takes the first that matches, with Enter."""
    field = page.get_by_label(label, exact=True)
    field.click()
    field.fill(words)
    expect(page.get_by_role("listbox").get_by_role("option", name=words).first).to_be_visible()
    field.press("Enter")
    expect(field).to_have_value(re.compile(re.escape(words), re.IGNORECASE))


def put(page: Page, label: str, value: str) -> None:
    """Types into a length field and waits until it is taken, or refused."""
    field = page.get_by_label(label, exact=True)
    field.fill(value)
    field.press("Enter")
    expect(page.locator(f'[aria-label="{label}"]:is(:not([data-typing]), [aria-invalid=true])')).to_be_attached()


UNDER_WAY: WeakKeyDictionary[Page, set[Request]] = WeakKeyDictionary()
"""The requests that each window waits for."""


def watch(page: Page) -> None:
    """Keeps account of what a window has asked the server and not heard yet."""
    asked = UNDER_WAY[page] = set()
    # Whether anything has changed is asked all the while.
    page.on("request", lambda request: None if request.url.endswith("/api/changes") else asked.add(request))
    page.on("requestfinished", lambda request: asked.discard(request))
    page.on("requestfailed", lambda request: asked.discard(request))


FRAMES = "() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))"


def unaware(page: Page) -> Page:
    """A window that does not hear of what others change until it is told no: both change a thing at once."""
    page.route("**/api/changes", lambda route: route.abort())
    return page


def quiet(page: Page) -> None:
    """Every answer that is on its way has come, and what it changes is drawn."""
    end = time.monotonic() + 30
    page.evaluate(FRAMES)
    while UNDER_WAY.get(page):
        page.evaluate(FRAMES)
        assert time.monotonic() < end, [request.url for request in UNDER_WAY[page]]


def loaded(page: Page) -> None:
    """What a page is made of has come: for half a second nothing was asked but whether anything has changed."""
    end, since = time.monotonic() + 30, time.monotonic()
    while time.monotonic() - since < 0.5:
        page.evaluate(FRAMES)
        if UNDER_WAY.get(page):
            since = time.monotonic()
        assert since < end, [request.url for request in UNDER_WAY[page]]


def saved(page: Page) -> None:
    """All that was done is saved; the state of saving follows an edit by a frame or two."""
    page.evaluate(FRAMES)
    expect(page.get_by_role("status").filter(has_text=re.compile("^Saved$"))).to_be_visible()


def alphabet_there(page: Page, letters: str) -> None:
    """An alphabet "Tin" of capitals 1 in high."""
    page.goto("/unpack")
    page.get_by_text(re.compile("alphabets?$")).click()
    field = page.get_by_label("Name of the next alphabet")
    field.fill("Tin")
    field.press("Enter")
    page.get_by_label("Letters on a sheet of Tin").fill(letters)
    saved(page)


def cut_title_there(page: Page, words: str) -> None:
    """A page with a title in letters of 2 in, cut from Ink, at its cut list."""
    kit_there(page)
    page_there(page)
    add_part(page, "title", "Title")
    page.get_by_label("What the title says").fill(words)
    height = page.get_by_label("Cap height", exact=True)
    height.fill("2")
    height.press("Enter")
    choose_paper(page, "Paper 1", "Ink")
    saved(page)
    page.get_by_role("link", name="Cut list").click()


def figures(page: Page) -> list[str]:
    """What the cut list says to do, in order, without the cautions above the steps."""
    steps = page.get_by_role("region", name="Cuts").locator("li label")
    return [plain(text) for text in steps.all_inner_texts()]


def plain(text: str) -> str:
    """A text as one would type it: the spaces that keep a figure together are spaces."""
    return text.replace("\u202f", " ").replace("\u00a0", " ").strip()


def comes_true(page: Page, expression: str, arg: Any = None) -> None:
    """Waits until a script says yes, asked from outside: the page's own policy lets nothing be evaluated within."""
    end = time.monotonic() + 30
    while not page.evaluate(expression, arg):
        assert time.monotonic() < end, f"never came true: {expression}"
        page.wait_for_timeout(30)


def crop_is_at(page: Page, top: float) -> None:
    """Waits until the frame begins at this share of the picture's height."""
    comes_true(
        page,
        "top => { const e = document.querySelector('[data-crop]'); if (!e) return false;"
        " const [frame, all] = [e.getBoundingClientRect(), e.parentElement.getBoundingClientRect()];"
        " return Math.abs((frame.y - all.y) / all.height - top) < 0.004 }",
        top,
    )


WORDS = (
    ("panel", "Panel"), ("frame", "Frame"), ("half", "Half sheet"), ("block", "Block"), ("shelf", "Shelf"),
    ("papered", "Papered with"), ("mitred", "Mitred border"), ("torn", "2 torn strips"), ("stitch", "Stitched all"),
    ("stagger", "Band of 5"), ("edging", "Edging 12"), ("pieced b", "Pieced block"), ("log", "Log cabin"),
    ("pinw", "Pinwheel"),
    ("herring", "Herringbone"), ("sun", "Sunburst"), ("pieced t", "Pieced triangle"), ("grid", "Grid of 3"),
    ("honey", "Honeycomb"), ("ring of t", "in a ring"), ("triangle t", "triangles"), ("heart", "Heart"),
    ("scallop", "Scalloped"), ("tag", "Tag 2"), ("opening", "with an opening (circle)"), ("pocket", "Pocket 4"),
    ("ring of s", "Circles"), ("tape", "Tape, "), ("horizon", "Horizon"),
)  # fmt: skip
