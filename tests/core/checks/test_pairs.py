"""Each check has a page that has what it finds and a twin that has not: the pairs that people learn by."""

from __future__ import annotations

import pytest

from ulna.core.checks.catalogue import CHECKS, check_of
from ulna.core.measure import Ruler
from ulna.core.page.checked import checked, remedied
from ulna.core.page.plan import PagePlan
from ulna.core.page.trainer import PAIRS, ground
from ulna.formats.faces import SHIPPED


def codes(plan: PagePlan) -> list[str]:
    return [one.code for one in checked(plan, ground(plan.format, SHIPPED, Ruler())).findings]


def test_every_check_has_its_pair() -> None:
    assert list(PAIRS) == [check.id for check in CHECKS if check.id in PAIRS]
    assert set(PAIRS) == {check.id for check in CHECKS}


@pytest.mark.parametrize("check", CHECKS, ids=lambda check: check.id)
def test_one_page_has_it_and_its_twin_has_not(check) -> None:  # type: ignore[no-untyped-def]
    pair = PAIRS[check.id]
    assert set(codes(pair.has)) & set(check.codes)
    assert not set(codes(pair.has_not)) & set(check.codes)


@pytest.mark.parametrize("check", CHECKS, ids=lambda check: check.id)
def test_a_remedy_takes_its_finding_away(check) -> None:  # type: ignore[no-untyped-def]
    """Each one pressed alone; what it was offered for is not told of that part any more."""
    plan = PAIRS[check.id].has
    on = ground(plan.format, SHIPPED, Ruler())
    for one in checked(plan, on).findings:
        if check_of(one.code) != check:
            continue
        for remedy in one.remedies:
            after = checked(remedied(plan, remedy), on).findings
            assert one.sentence not in [left.sentence for left in after if left.part == one.part], remedy.says


def test_no_code_belongs_to_two_checks() -> None:
    all_codes = [code for check in CHECKS for code in check.codes]
    assert len(all_codes) == len(set(all_codes))
