"""Corrections of a kit that came from a club: offered field by field, never forced over what one changed."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import paper
from ulna.core.kit.from_club import alike, changes, corrected, items, only
from ulna.core.measure import Ruler, parse
from ulna.core.paper.shelf import Kit
from ulna.core.things.thing import Thing

CAME = Kit("Moorings", papers=(paper("reeds"), paper("ice")), things=(Thing("geese", "Geese", count=7),))


def test_what_one_did_not_touch_is_offered_and_taken() -> None:
    now = replace(CAME, papers=(replace(CAME.papers[0], count=3), CAME.papers[1]))
    (told,) = changes(CAME, CAME, now, Ruler())
    assert (told.what, told.says, told.yours) == ("changed", "count 2 is 3", "")
    assert corrected(CAME, CAME, now, {"reeds"}).papers[0].count == 3
    assert corrected(CAME, CAME, now, set()) == CAME


def test_what_one_changed_stays_and_the_rest_of_it_is_corrected() -> None:
    """One counted five; the club says three, and that the sheet is 11 in wide: the width is taken, the five stay."""
    mine = replace(CAME, papers=(replace(CAME.papers[0], count=5), CAME.papers[1]))
    now = replace(CAME, papers=(replace(CAME.papers[0], count=3, width=parse("11")), CAME.papers[1]))
    (told,) = changes(CAME, mine, now, Ruler())
    assert (told.says, told.yours) == ("width 12 is 11", "count")
    after = corrected(CAME, mine, now, {"reeds"}).papers[0]
    assert (after.count, after.width) == (5, parse("11"))


def test_a_change_that_is_wholly_ones_own_is_not_offered() -> None:
    mine = replace(CAME, things=(replace(CAME.things[0], count=6),))
    now = replace(CAME, things=(replace(CAME.things[0], count=5),))
    assert changes(CAME, mine, now, Ruler()) == []


def test_what_is_new_comes_in_and_what_was_not_in_it_goes_if_one_says_so() -> None:
    now = replace(CAME, papers=(CAME.papers[0],), things=(*CAME.things, Thing("star", "Star")))
    told = {one.id: one.what for one in changes(CAME, CAME, now, Ruler())}
    assert told == {"star": "new", "ice": "gone"}
    assert items(corrected(CAME, CAME, now, {"star", "ice"})).keys() == {"reeds", "geese", "star"}
    assert items(corrected(CAME, CAME, now, {"star"})).keys() == {"reeds", "ice", "geese", "star"}


def test_what_one_threw_out_is_not_offered_again() -> None:
    mine, now = only(CAME, {"reeds"}), replace(CAME, things=(replace(CAME.things[0], count=9),))
    assert changes(CAME, mine, now, Ruler()) == []
    assert corrected(CAME, mine, now, {"geese"}).things == now.things, "unless one asks for it"


def test_the_same_by_another_name_of_kit_is_known() -> None:
    """Called so and as large, whatever its case; another size is another paper."""
    here = {
        "stash": Kit(
            "Stash", papers=(replace(paper("x"), name=" REEDS "), replace(paper("y", size="6"), name="Ice"))
        )
    }
    assert alike(CAME, here) == {"reeds": "Stash"}


counts = st.integers(0, 9)


@given(counts, counts, counts, st.booleans())
def test_whatever_changed_where_nothing_of_ones_own_is_lost(came: int, mine: int, now: int, chosen: bool) -> None:
    def kit(count: int) -> Kit:
        return replace(CAME, papers=(replace(CAME.papers[0], count=count), CAME.papers[1]))

    after = corrected(kit(came), kit(mine), kit(now), {"reeds"} if chosen else set()).papers[0].count
    assert after == (mine if mine != came or not chosen else now)
