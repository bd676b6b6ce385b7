"""Whatever a page is made of: it is looked at, every finding has its place on it, every remedy makes a page."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.any_page import SHELF
from tests.core.examples import HERON, ground
from tests.core.pages import pages
from ulna.core.checks.catalogue import CHECKS, by_harm
from ulna.core.measure import Ruler, Unit, mm
from ulna.core.page.checked import checked, remedied
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.colour import PictureColours, of_hex
from ulna.core.parts.pieces import Ground

INCHES, MILLIMETRES = Ruler(), Ruler(Unit.MM, mm(1))
LOOKS = (None, PictureColours(of_hex("#6d7f86"), 12.0, (), "level", (1.0, 5.0, 9.0) * 3))


def table(plan: PagePlan, ruler: Ruler, look: PictureColours | None) -> Ground:
    return replace(ground(plan.format, photos={"heron": HERON}), shelf=SHELF, ruler=ruler, edge=lambda _: look)


@settings(max_examples=150)
@given(plan=pages(), ruler=st.sampled_from([INCHES, MILLIMETRES]), look=st.sampled_from(LOOKS))
def test_every_page_is_looked_at_and_every_remedy_makes_a_page(
    plan: PagePlan, ruler: Ruler, look: PictureColours | None
) -> None:
    """Also those on which nothing fits; what is told is in the order of harm, once each."""
    on = table(plan, ruler, look)
    found = checked(plan, on)
    assert list(found.findings) == by_harm(found.findings)
    assert len({(one.code, one.part, one.sentence) for one in found.findings}) == len(found.findings)
    for one in found.findings:
        assert one.sentence.rstrip("”")[-1] in ".?!", one.sentence
        for remedy in one.remedies:
            after = remedied(plan, remedy)
            evaluate(after, on if after.format == plan.format else table(after, ruler, look))


def test_each_check_says_why_in_one_sentence() -> None:
    for check in CHECKS:
        assert check.why.endswith(".") and check.why.count(".") == 1 and len(check.why) < 110
