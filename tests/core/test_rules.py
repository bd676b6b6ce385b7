"""House rules: the nearest that says something wins, and says so."""

from __future__ import annotations

from dataclasses import fields

from ulna.core.rules import RULES, USUAL, Rules, settle


def test_every_rule_has_its_question_and_options() -> None:
    """As many rules as there are fields; every option says what it changes; the first is the usual."""
    assert [rule.id for rule in RULES] == [one.name for one in fields(Rules)] or {rule.id for rule in RULES} == {
        one.name for one in fields(Rules)
    }
    for rule in RULES:
        assert len(rule.options) > 1 and all(option.changes.endswith(".") for option in rule.options)
        assert getattr(USUAL, rule.id) == rule.usual


def test_a_page_wins_over_its_kit_and_the_kit_over_the_household() -> None:
    house, kit, page = Rules(cutting="loose", gut="never"), Rules(gut="always", lift="flat"), Rules(lift="foam")
    found = settle(page, [kit], house)
    assert (found.rules.cutting, found.rules.gut, found.rules.lift) == ("loose", "always", "foam")
    by = {one.rule: one.by for one in found.decided}
    assert (by["cutting"], by["gut"], by["lift"], by["rims"]) == ("house", "kit", "page", "usual")


def test_of_two_kits_the_first_that_says_something_wins() -> None:
    found = settle(Rules(), [Rules(), Rules(edges="inked"), Rules(edges="clean")], Rules())
    assert found.rules.edges == "inked"
