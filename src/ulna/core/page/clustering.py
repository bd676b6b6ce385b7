"""Clusters proposed, joined from what is chosen, taken apart.

A proposal has three or five of them in a triangle round the focal photo, the largest print; on a spread at least one on
each page, and one at the title where there is one. What there are several of is shared out so that each cluster has it,
what there is one of goes to the largest; things of one style keep together; a line of tape grounds each. The rule
behind each choice is said.
"""

from __future__ import annotations

import math
import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from ulna.core.errors import FieldError
from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import PageFormat
from ulna.core.paper.colour import of_hex
from ulna.core.parts.faces_seen import FaceSeen, faces_seen
from ulna.core.parts.kinds import work_out
from ulna.core.parts.kinds.cluster import MOST_MEMBERS, Cluster, Member
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.place import Place, place_at
from ulna.core.things.composing import composed
from ulna.core.things.sharing import least_angle, shared_out, triangles
from ulna.core.things.thing import NOT_STUCK_ON, Thing, ThingKind

ALIKE = 24.0
"""In CIELAB: colours that are nearer are one accent."""
KINDS = 4
"""So many different things go into the clusters of a page."""
OFF_EDGE = inches(0, 1, 4)
MOST_OF_A_PAGE = 0.25
"""Of the page's shorter side: what is larger is no accent but a part of its own."""


@dataclass(frozen=True, slots=True)
class Proposal:
    """Clusters with their places, and why they are so."""

    parts: tuple[Cluster, ...]
    why: tuple[str, ...]


def proposed(
    plan: PagePlan, page: Evaluated, ground: Ground, count: int = 3, seed: int = 0, styles: bool = False
) -> Proposal:
    """So many clusters for a page; with `styles`, or by a house rule that follows no
    theme, things of several styles may come together. Raises `FieldError` where
    the shelf has nothing for them, or the page no place."""
    things, why = _chosen(page, ground, count, seed, styles)
    shares, shared = _shares(things, ground, count)
    why += shared
    drawn = random.Random(seed)
    clusters = [
        _composed(f"cluster-{k + 1}", share, ground, drawn.randrange(10_000)) for k, share in enumerate(shares)
    ]
    spots, said = _spots(plan, page, ground, clusters, seed)
    why += said
    placed = [replace(one, place=_place_at(one, spot, ground)) for one, spot in zip(clusters, spots, strict=True)]
    return Proposal(tuple(placed), tuple(why))


# ---- which things ------------------------------------------------------------------------------------------


def _chosen(page: Evaluated, ground: Ground, count: int, seed: int, styles: bool) -> tuple[list[Thing], list[str]]:
    """Which things are taken: of one style, as many accents as there are, what goes round first."""
    left = ground.shelf.things_left
    most = min(ground.format.width, ground.format.height).inches * MOST_OF_A_PAGE
    fit = [
        one
        for one in ground.shelf.things.values()
        if left.get(one.id, 0) > 0 and one.kind not in NOT_STUCK_ON and not one.by_length
        and one.kind not in (ThingKind.STAMP, ThingKind.CARD, ThingKind.GEMS) and max(one.size).inches <= most
    ]  # fmt: skip
    if not fit:
        raise FieldError(
            "things", "", "there is nothing on the shelf for a cluster", "count the kit's things at Unpack"
        )
    why = list[str]()
    if not styles and ground.rules.theme != "free":
        fit, why = _of_one_style(fit)
    drawn = random.Random(seed)
    order = sorted(
        fit, key=lambda one: (left[one.id] < count, drawn.random() - ground.longing.get(one.id, 0.0) / 2)
    )
    taken, accents = list[Thing](), list[str]()
    for one in order:
        fresh = not any(of_hex(one.colour).far(of_hex(known)) < ALIKE for known in accents)
        if fresh or len(taken) < 2:
            taken.append(one)
            accents.append(one.colour)
        if len(taken) == KINDS:
            break
    return taken, why


def _of_one_style(fit: list[Thing]) -> tuple[list[Thing], list[str]]:
    styles = [one.drawn for one in fit if one.drawn]
    if len(set(styles)) < 2:
        return fit, []
    most = max(sorted(set(styles)), key=styles.count)
    kept = [one for one in fit if one.drawn in ("", most)]
    out = sorted({one.drawn for one in fit} - {"", most})
    return kept, [f"{most.capitalize()} things keep together; {' and '.join(out)} ones are left out."]


def _shares(things: Sequence[Thing], ground: Ground, count: int) -> tuple[list[list[Thing]], list[str]]:
    """Who gets what, the largest cluster first, and in words why."""
    left = ground.shelf.things_left
    there = {one.id: min(left[one.id], count + 2) for one in things}
    by_id = {one.id: one for one in things}
    shares = [[by_id[id] for id in share] for share in shared_out(there, count, 2)]
    why = list[str]()
    for one in things:
        has = [sum(1 for thing in share if thing.id == one.id) for share in shares]
        if sum(has) == 1:
            why.append(f"There is one {one.name}: it goes into the largest.")
        elif min(has) >= 1:
            why.append(f"{one.name}: {', '.join(str(n) for n in has)}, so that each cluster has it.")
        else:
            why.append(f"{one.name}: {sum(has)} for the {sum(1 for n in has if n)} largest.")
    accents = [one for one in things if all(any(_alike(one, other) for other in share) for share in shares)]
    if accents:
        why.append(f"The colour of {_listed([one.name for one in accents])} is in every cluster.")
    if any(not share for share in shares):
        told = f"{sum(map(len, shares))} things are left that go into a cluster"
        raise FieldError("things", count, told, "take fewer clusters, or count the kit's things at Unpack")
    return [share[:MOST_MEMBERS] for share in shares], why


def _alike(one: Thing, other: Thing) -> bool:
    return of_hex(one.colour).far(of_hex(other.colour)) < ALIKE


def _listed(names: Sequence[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"


def _composed(id: str, share: Sequence[Thing], ground: Ground, seed: int) -> Cluster:
    """Its tape underneath, then its things, the largest first."""
    ordered = sorted(share, key=lambda one: -(one.size[0].inches * one.size[1].inches))
    sizes = [(one.size[0].inches, one.size[1].inches) for one in ordered]
    spots = composed(sizes, [bool(one.points or one.says) for one in ordered], seed)
    near = ground.ruler.near
    members = [
        Member(one.id, across=near(spot.across), down=near(spot.down), angle=spot.angle)
        for one, spot in zip(ordered, spots, strict=True)
    ]
    tape = _tape(ground, sizes)
    return Cluster(id, ((tape,) if tape else ()) + tuple(members))


def _tape(ground: Ground, sizes: Sequence[tuple[float, float]]) -> Member | None:
    """A line of tape under all of it, of the roll with the most left; none where no roll is long enough."""
    rolls = [
        one for one in ground.shelf.things.values()
        if one.kind is ThingKind.TAPE and ground.shelf.lengths_left.get(one.id, ZERO) > inches(20)
    ]  # fmt: skip
    if not rolls or not sizes:
        return None
    roll = max(rolls, key=lambda one: ground.shelf.lengths_left[one.id])
    long = ground.ruler.near(min(4.0, max(1.5, max(wide for wide, _ in sizes) * 1.5)))
    high = roll.height or roll.size[1]
    down = ground.ruler.near(max(high for _, high in sizes) * 0.2)
    return Member(roll.id, width=long, height=high, down=down)


# ---- where they go -----------------------------------------------------------------------------------------


def _spots(
    plan: PagePlan, page: Evaluated, ground: Ground, clusters: Sequence[Cluster], seed: int
) -> tuple[list[Point], list[str]]:
    """Where the middles of the clusters' boxes go, the largest first."""
    prints = [piece for piece in page.pieces if piece.role == "print"]
    focal = max(prints, key=lambda p: p.rect.width.units * p.rect.height.units, default=None)
    round_what = _middle(focal.rect) if focal else _middle(ground.format.page("left"))
    reach = [work_out(one, ground, ground.format.whole)[0] for one in clusters]
    half = max(one.width.inches for one in reach) / 2, max(one.height.inches for one in reach) / 2
    title = next((p.box for p in page.parts if p.box and isinstance(plan.part(p.id), Title)), None)
    kept = [_edges(face) for piece in prints for face in faces_seen(piece, ground)]
    kept += [_edges(title)] if title else []
    kept += [
        _edges(box) for box in dict.fromkeys(line.box for line in page.lines if line.kind in ("words", "rule"))
    ]
    offered = dict.fromkeys(_offered(prints, title, ground.format, half))
    spots = [spot for spot in offered if _free(spot, half, kept, ground.format)]
    at_title = min(spots, key=lambda spot: _far(spot, title), default=None) if title else None
    gutter = ground.format.gutter
    found = triangles(spots, round_what, gutter.inches if gutter else None, at_title)
    apart = [three for three in found[:400] if _are_apart(three, half)]
    if not apart:
        told = "three places clear of faces, words and the edges are not to be found"
        raise FieldError("page", plan.name, told, "make the photos smaller, or take smaller things")
    best = apart[seed % min(4, len(apart))]
    why = [
        f"Three in a triangle {f'round {focal.name}' if focal else 'on the page'}: its least angle is "
        f"{least_angle(best):.0f}°."
    ]
    if title is not None:
        why.append("One of them is at the title.")
    if gutter is not None:
        why.append("At least one is on each page.")
    # The largest is at the title, or else furthest from the photo's middle, where there is most room.
    chosen = sorted(best, key=lambda spot: _far(spot, title) if title is not None else -math.dist(spot, round_what))
    for _ in range(len(clusters) - 3):
        rest = [spot for spot in spots if _are_apart((*chosen, spot), half)]
        if not rest:
            told = f"{len(clusters)} places clear of faces, words and the edges are not to be found"
            raise FieldError("page", plan.name, told, "take three")
        chosen.append(max(rest, key=lambda spot: min(math.dist(spot, other) for other in chosen)))
    return chosen, why


Edges = tuple[float, float, float, float]
"""Left, top, right and bottom of what must stay free, in inches."""


def _edges(at: FaceSeen | Rect) -> Edges:
    if isinstance(at, Rect):
        return at.x.inches, at.y.inches, at.right.inches, at.bottom.inches
    return at.left.inches, at.top.inches, at.right.inches, at.bottom.inches


def _offered(prints: Sequence[Piece], title: Rect | None, format: PageFormat, half: Point) -> Iterator[Point]:
    """Corners of photos, middles of their edges, round the title, and the sixths of each page."""
    for piece in prints:
        r = piece.rect
        for x in (r.x.inches, (r.x + r.right).inches / 2, r.right.inches):
            for y in (r.y.inches, (r.y + r.bottom).inches / 2, r.bottom.inches):
                if (x, y) != _middle(r):
                    yield _inside((x, y), half, format)
    if title is not None:
        middle = (title.y + title.bottom).inches / 2
        for x in (title.x.inches - half[0], title.right.inches + half[0]):
            yield _inside((x, middle), half, format)
        for y in (title.y.inches - half[1], title.bottom.inches + half[1]):
            yield _inside((title.x.inches + half[0], y), half, format)
            yield _inside((title.right.inches - half[0], y), half, format)
    for name in format.names:
        at = format.page(name)
        for k in (1, 3, 5):
            for n in (1, 3, 5):
                yield _inside(
                    ((at.x + at.width.part(k, 6)).inches, (at.y + at.height.part(n, 6)).inches), half, format
                )


def _inside(spot: Point, half: Point, format: PageFormat) -> Point:
    """The nearest place to a spot at which a cluster lies on one page and off its edges."""
    x, y = spot
    gutter = format.gutter
    page = format.page("right" if gutter is not None and x >= gutter.inches else "left")
    across, down = OFF_EDGE.inches + half[0], OFF_EDGE.inches + half[1]
    x = min(max(x, page.x.inches + across), max(page.x.inches + across, page.right.inches - across))
    y = min(max(y, page.y.inches + down), max(page.y.inches + down, page.bottom.inches - down))
    return round(x, 4), round(y, 4)


def _are_apart(spots: Sequence[Point], half: Point) -> bool:
    """Whether clusters at these places lie clear of each other."""
    return all(
        abs(a[0] - b[0]) >= 2 * half[0] or abs(a[1] - b[1]) >= 2 * half[1]
        for k, a in enumerate(spots)
        for b in spots[:k]
    )


def _free(spot: Point, half: Point, kept: Sequence[Edges], format: PageFormat) -> bool:
    """Whether a cluster there lies on nothing that must stay free, and over no edge or fold."""
    x1, y1, x2, y2 = spot[0] - half[0], spot[1] - half[1], spot[0] + half[0], spot[1] + half[1]
    whole, gutter = format.whole, format.gutter
    if x1 < 0 or y1 < 0 or x2 > whole.width.inches or y2 > whole.height.inches:
        return False
    if gutter is not None and x1 < gutter.inches < x2:
        return False
    # Boxes lie on marks, so they may reach a mark further.
    near = 1 / 16
    return not any(x1 - near < r and x2 + near > a and y1 - near < b and y2 + near > t for a, t, r, b in kept)


def _place_at(cluster: Cluster, spot: Point, ground: Ground) -> Place:
    built, _ = work_out(cluster, ground, ground.format.whole)
    corner = Rect(
        ground.ruler.near(spot[0] - built.width.inches / 2), ground.ruler.near(spot[1] - built.height.inches / 2),
        built.width, built.height,
    )  # fmt: skip
    return place_at(cluster.place, corner, ground.format)


def _middle(rect: Rect) -> Point:
    return (rect.x + rect.right).inches / 2, (rect.y + rect.bottom).inches / 2


def _far(spot: Point, box: Rect) -> float:
    """How far a spot is from a box."""
    x = min(max(spot[0], box.x.inches), box.right.inches)
    y = min(max(spot[1], box.y.inches), box.bottom.inches)
    return math.dist(spot, (x, y))
