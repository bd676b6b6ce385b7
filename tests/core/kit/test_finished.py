"""The album: what faces what when it lies open, and in which order."""

from __future__ import annotations

from datetime import UTC, date, datetime

from ulna.core.kit.finished import Finished, Times, album, in_order

NOON = datetime(2026, 6, 27, 12, tzinfo=UTC)


def page(id: str, pages: int = 1, **more: object) -> Finished:
    return Finished(id, id, NOON, pages=pages, **more)


def faces(*pages: Finished) -> list[tuple[str, str]]:
    return [(one.left.page if one.left else "", one.right.page if one.right else "") for one in album(list(pages))]


def test_the_first_page_lies_on_the_right_then_two_by_two() -> None:
    assert faces(page("a"), page("b"), page("c"), page("d")) == [("", "a"), ("b", "c"), ("d", "")]


def test_a_double_page_faces_itself_after_a_single_one() -> None:
    found = album([page("a"), page("b", 2), page("c")])
    assert [(one.left and one.left.page, one.right and one.right.page) for one in found] == [
        (None, "a"), ("b", "b"), ("c", None),
    ]  # fmt: skip
    assert not any(one.torn for one in found)


def test_a_double_page_that_begins_on_the_right_is_torn_apart_and_told() -> None:
    found = album([page("a", 2), page("b")])
    assert [(one.left and one.left.page, one.right and one.right.page) for one in found] == [
        (None, "a"),
        ("a", "b"),
    ]
    assert [one.torn for one in found] == [True, True]


def test_by_the_place_they_were_given_then_by_the_day_of_their_story() -> None:
    march, may = page("march", told=date(2026, 3, 7)), page("may", told=date(2026, 5, 1))
    moved = page("moved", told=date(2025, 1, 1), place=1)
    assert [one.page for one in in_order([may, march, moved])] == ["moved", "march", "may"]


def test_time_at_a_bench_adds_up() -> None:
    assert Times().more("cut", 30).more("build", 5).more("cut", 30).seconds == (("cut", 60), ("build", 5))
