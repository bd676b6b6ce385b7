"""Papers for a draft: a quiet ground, one lively paper on it, a strip, a mat that sets the photos off, one for letters.

What has lain unused longest is preferred where it comes about as near to the photos as others. Of two papers that touch
never are both lively and alike in lightness. What is near the top of each list is drawn by a seed, so that drafts
differ.
"""

from __future__ import annotations

import random
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.checks.run_together import run_together
from ulna.core.measure import Length
from ulna.core.paper.colour import PictureColours, of_hex
from ulna.core.paper.ranking import rank
from ulna.core.paper.shelf import Face, Paper, Shelf, Side, Stock
from ulna.core.parts.pieces import PaperChoice

NOTHING_LAIN: Mapping[str, float] = {}
Mood = Literal["calm", "middle", "bold"]
LAIN = 8.0
"""What having lain longest counts, as a colour that is so much nearer to those of the photos."""
APART = 12.0
"""In lightness: so far a ground and what lies on it are apart at least."""


@dataclass(frozen=True, slots=True)
class Palette:
    """What each role is cut from; a role that no paper is there for is None."""

    ground: PaperChoice | None
    panel: PaperChoice | None
    strip: PaperChoice | None
    mat: PaperChoice | None
    letters: PaperChoice | None
    card: PaperChoice | None


@dataclass(frozen=True, slots=True)
class _Offered:
    choice: PaperChoice
    side: Side
    paper: Paper

    @property
    def light(self) -> float:
        return of_hex(self.side.colours[0]).lightness


@dataclass(frozen=True, slots=True)
class Papers:
    """What there is for drafts with certain photos: every side of a paper, how near its colours come to theirs, how
    well it sets them off as a mat; those that a ground can be cut from; what has lain unused, by the ids of papers."""

    offered: tuple[_Offered, ...]
    near: Mapping[PaperChoice, float]
    mats: Mapping[PaperChoice, float]
    large: frozenset[PaperChoice]
    lain: Mapping[str, float]


def at_hand(
    shelf: Shelf, page: tuple[Length, Length], looks: Sequence[PictureColours],
    keep: frozenset[str] = frozenset(), scraps_only: bool = False, lain: Mapping[str, float] = NOTHING_LAIN,
) -> Papers:  # fmt: skip
    """The papers for pages of that size with photos of these colours; those to `keep` are left alone. With
    `scraps_only` papers count by the scraps that there are of them, and only a scrap can be a ground. What has `lain`
    unused, 1 what lies longest, is preferred to what is about as good."""
    offered = tuple(_offered(shelf, keep, scraps_only))
    papers = list({one.paper.id: one.paper for one in offered}.values())
    points: dict[PaperChoice, float] = {}
    for look in looks:
        for choice in rank(papers, look, "first"):
            key = PaperChoice(choice.paper, choice.side)
            points[key] = points.get(key, 0.0) + choice.rank + (25.0 if choice.good else 0.0)
    points = {
        one.choice: points.get(one.choice, 0.0) + LAIN * lain.get(one.paper.id, 0.0)
        for one in offered if one.choice in points or one.paper.id in lain
    }  # fmt: skip
    near = {one.choice: _near(one, looks) + LAIN * lain.get(one.paper.id, 0.0) for one in offered}
    large = frozenset(one.choice for one in offered if _holds(one.paper, page, shelf, scraps_only))
    return Papers(offered, near, points, large, lain)


def palette(papers: Papers, mood: Mood, seed: int) -> Palette:
    """One choice of them. In a bold mood the panel is livelier."""
    drawn, near = random.Random(seed), papers.near
    offered = papers.offered
    ground = _drawn(
        [o for o in offered if o.choice in papers.large and o.side.busy <= 1],
        lambda o: o.side.busy - papers.lain.get(o.paper.id, 0.0) / 2,
        drawn,
        6,
    )
    wanted = {"calm": (1, 0, 2), "middle": (2, 1, 3), "bold": (3, 2)}[mood]
    lively = [
        one for one in offered
        if one.side.busy in wanted and _goes_with(one, ground) and (ground is None or one.paper.id != ground.paper.id)
    ]  # fmt: skip
    panel = _drawn(lively, lambda o: wanted.index(o.side.busy) * 100 - near[o.choice], drawn, 5)
    under = [one for one in (ground, panel) if one is not None]
    apart = [o for o in offered if all(_goes_with(o, other) and o.paper.id != other.paper.id for other in under)]
    mats = [o for o in apart if o.side.busy <= 1]
    mat = _drawn(mats, lambda o: -papers.mats.get(o.choice, 0.0), drawn, 3)
    strip = _drawn(apart, lambda o: -near[o.choice], drawn, 4)
    plain = [o for o in offered if o.side.busy <= 1 and (panel is None or abs(o.light - panel.light) >= 25)]
    letters = _drawn(plain, lambda o: o.side.busy * 100 - near[o.choice], drawn, 3)
    card = _drawn([o for o in offered if o.side.busy == 0], lambda o: -o.light, drawn, 1)
    return Palette(*(one.choice if one else None for one in (ground, panel, strip, mat, letters, card)))


def _offered(shelf: Shelf, keep: frozenset[str], scraps_only: bool) -> Iterable[_Offered]:
    for paper in shelf.papers.values():
        if paper.is_scrap or paper.id in keep or paper.cards or paper.stock is Stock.VELLUM or paper.holes:
            continue
        sources = [shelf.paper(id) for id in shelf.sources(paper.id)]
        if not any(one.count > 0 and (one.is_scrap or not scraps_only) for one in sources):
            continue
        faces: tuple[Face, ...] = ("A",) if paper.a == paper.b else ("A", "B")
        for face in faces:
            yield _Offered(PaperChoice(paper.id, face), paper.face(face), paper)


def _holds(paper: Paper, page: tuple[Length, Length], shelf: Shelf, scraps_only: bool) -> bool:
    """Whether one sheet of it is as large as a page, its branding strip off."""
    for id in shelf.sources(paper.id):
        source = shelf.paper(id)
        if source.count < 1 or (scraps_only and not source.is_scrap):
            continue
        room = source.usable
        if room.width >= page[0] and room.height >= page[1]:
            return True
    return False


def _goes_with(one: _Offered, other: _Offered | None) -> bool:
    """Whether they may touch: not both lively and alike, and far enough apart to be told from each other."""
    if other is None:
        return True
    if run_together(one.side, other.side):
        return False
    return abs(one.light - other.light) >= APART or abs(one.side.busy - other.side.busy) >= 1


def _near(one: _Offered, looks: Sequence[PictureColours]) -> float:
    """How near its colours come to those of the photos: more is nearer."""
    if not looks:
        return 0.0
    found = 0.0
    for look in looks:
        far = min(
            (of_hex(colour).far(lead.colour) for colour in one.side.colours for lead in look.leading), default=100.0
        )
        found += max(0.0, 40 - far)
    return round(found / len(looks), 3)


def _drawn(
    found: Sequence[_Offered], by: Callable[[_Offered], float], drawn: random.Random, of_first: int
) -> _Offered | None:
    """One of the first so many, the earlier the likelier; by a measure, and where that is equal by their ids."""
    if not found:
        return None
    ordered = sorted(found, key=lambda o: (by(o), o.paper.id, o.choice.side))
    return ordered[min(len(ordered) - 1, int(drawn.random() ** 1.5 * of_first))]
