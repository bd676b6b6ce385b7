"""The rules that hold for a page: its own, those of the kits that it takes from, the household's."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ulna.core.measure import Ruler
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit
from ulna.core.parts.inside import every
from ulna.core.parts.kinds import traits
from ulna.core.parts.pieces import PaperChoice
from ulna.core.rules import Rules, Settled, settle

if TYPE_CHECKING:
    from ulna.household.home import Household


NOTHING_SAID = Rules()


def kits_of(home: Household, plan: PagePlan) -> list[str]:
    """The kits whose papers and things a page uses, in the order in which they came."""
    used = {choice.paper for choice in every(PaperChoice, plan.parts) if choice.paper}
    for part in plan.parts:
        used |= {one.thing for one in traits(part).takes(part, plan.format.whole)}
    return [
        kept.id for kept in home.kits.all()
        if used & _named(kept.body)
    ]  # fmt: skip


def settled(home: Household, plan: PagePlan) -> Settled:
    """Every rule as it holds for a page, and who says so."""
    ruled = [kept for kept in home.kits.all() if kept.body.rules != NOTHING_SAID]
    mine = set(kits_of(home, plan)) if ruled else set[str]()
    kits = [kept.body.rules for kept in ruled if kept.id in mine]
    return settle(plan.rules, kits, home.settings().body.rules)


def ruler(home: Household, plan: PagePlan) -> Ruler:
    """What a page is measured with."""
    return home.ruler(settled(home, plan).rules)


def from_its_kits(home: Household, plan: PagePlan) -> frozenset[str] | None:
    """The ids of all that may be proposed where a page keeps to its kits; None where it uses none yet."""
    mine = set(kits_of(home, plan))
    if not mine:
        return None
    kits = [kept.body for kept in home.kits.all() if kept.id in mine]
    return frozenset(id for kit in kits for id in _named(kit))


def _named(kit: Kit) -> set[str]:
    """The ids of all that is in a kit."""
    return {p.id for p in kit.papers} | {t.id for t in kit.things} | {a.id for a in kit.alphabets}
