"""Words on paper, measured on the page as it comes out: true size, the outline of the card, the printer's shift."""

from __future__ import annotations

import itertools
from dataclasses import replace

import pypdfium2
import pytest

from tests.core.examples import ground, paper
from tests.core.words.test_words import TEN_AN_INCH
from ulna.core.geometry import polygons
from ulna.core.kit.settings import Settings
from ulna.core.measure import inches, parse
from ulna.core.page.evaluate import DrawnLine, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.parts.kinds.words import Words, to_rule_by
from ulna.formats.faces import SHIPPED
from ulna.formats.words_pdf import strip_pdf, words_pdf

DPI = 300
WORDS = Words("w", "H" * 20 + " " + "H" * 20, width=inches(2), pitch=parse("1/2"))
CARD = polygons.box(-0.25, -0.5, 3.0, 4.0)
INKED = (43, 49, 56)


def lines() -> list[DrawnLine]:
    at = ground(None, paper("ink")).changed(hands={"t": TEN_AN_INCH})
    return list(evaluate(PagePlan("p", parts=(WORDS,)), at).lines)


def ink(pdf: bytes, top: float = 1.4) -> tuple[float, float, float, float]:
    """Left, top, right, bottom of what is printed in ink below the heading, in inches of the page."""
    (page,) = pypdfium2.PdfDocument(pdf)
    picture = page.render(scale=DPI / 72).to_pil().convert("RGB")
    dark = (
        picture.point(lambda value: 255 if value < 90 else 0)
        .convert("L")
        .crop((0, int(top * DPI), picture.width, int(6 * DPI)))
    )
    x1, y1, x2, y2 = dark.getbbox() or (0, 0, 0, 0)
    return x1 / DPI, y1 / DPI + top, x2 / DPI, y2 / DPI + top


def test_words_come_out_as_long_as_they_are_said_to_be() -> None:
    """Twenty letters, ten an inch: 2 in from the first stem to the last, less what is free beside them. Two lines 1/2
    in apart: from the top of the one to the foot of the other 1/2 in and the height of a capital."""
    x1, y1, x2, y2 = ink(words_pdf("words", "p", lines(), CARD, Settings(), SHIPPED))
    assert x2 - x1 == pytest.approx(2.0, abs=0.03)
    cap = lines()[0].written.size / SHIPPED["typewriter"].em  # type: ignore[union-attr]
    assert y2 - y1 == pytest.approx(0.5 + cap, abs=0.01)


def test_what_came_out_too_low_and_too_far_right_is_taken_back() -> None:
    """A test came out 1/16 low and 1/8 too far right: the words alone stand so much higher and further left."""
    plain = ink(words_pdf("words", "p", lines(), CARD, Settings(), SHIPPED))
    shifted = Settings(printed_low=parse("1/16"), printed_right=parse("1/8"))
    moved = ink(words_pdf("words", "p", lines(), CARD, shifted, SHIPPED))
    assert plain[0] - moved[0] == pytest.approx(1 / 8, abs=0.007)
    assert plain[1] - moved[1] == pytest.approx(1 / 16, abs=0.007)


def test_the_words_stand_where_they_stood_in_the_test() -> None:
    """Both at the same place of the paper: the first line's letters 1/4 from the left of the card."""
    words = ink(words_pdf("words", "p", lines(), CARD, Settings(), SHIPPED))
    (page,) = pypdfium2.PdfDocument(words_pdf("test", "p", lines(), CARD, Settings(), SHIPPED))
    picture = page.render(scale=DPI / 72).to_pil().convert("RGB")
    red = [
        (x, y)
        for x in range(0, picture.width)
        for y in (int(3 * DPI),)
        if (rgb := picture.getpixel((x, y))) and rgb[0] > 120 and rgb[1] < 110 and rgb[2] < 110
    ]
    assert red, "the outline of the card is drawn"
    left, right = min(x for x, _ in red) / DPI, max(x for x, _ in red) / DPI
    assert right - left == pytest.approx(3.0, abs=0.01)
    assert words[0] - left == pytest.approx(0.25, abs=0.03)


def test_a_strip_has_a_tick_at_each_line() -> None:
    """Lines 1/2 in apart: what is drawn from one tick to the next is 1/2 in."""
    at = ground(None, paper("ink")).changed(hands={"t": TEN_AN_INCH})
    many = replace(WORDS, text=" ".join(["H" * 20] * 8))
    (page,) = pypdfium2.PdfDocument(strip_pdf("p", to_rule_by(many, at), inches(4), Settings().ruler))
    picture = page.render(scale=DPI / 72).to_pil().convert("L")
    x = int((0.6 + 0.2) * DPI)
    dark = [y for y in range(int(1.3 * DPI), int(6 * DPI)) if picture.getpixel((x, y)) < 120]
    ticks = [y for n, y in enumerate(dark) if n == 0 or y - dark[n - 1] > 5]
    steps = {round((b - a) / DPI, 1) for a, b in itertools.pairwise(ticks)}
    assert steps == {0.5}


def test_a_long_strip_goes_on_on_the_next_page() -> None:
    at = ground(None, paper("ink")).changed(hands={"t": TEN_AN_INCH})
    many = replace(WORDS, text=" ".join(["H" * 20] * 30))
    assert len(pypdfium2.PdfDocument(strip_pdf("p", to_rule_by(many, at), inches(15), Settings().ruler))) == 2
