"""First drafts of a page: from photos and the shelf to several pages, different in kind, each complete and each planned
by the planner without a piece unplaced.

A search with a seed and an effort instead of a clock. What it goes by are the checks, and what a page opens and loses;
what must not be (a face on the fold or under words, two lively papers that run together, a paper on its side, a letter
or a thing too many) rules a draft out.
"""

from __future__ import annotations

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

from ulna.core import checks
from ulna.core.checks import dominance, on_photos, on_side, readable, run_together, stands_out, triangle
from ulna.core.cutting.demand import demand
from ulna.core.errors import FieldError
from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.kit.cost import Cost, cost
from ulna.core.measure import inches
from ulna.core.page.checked import remedied
from ulna.core.page.clustering import proposed
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import placed_at, stand
from ulna.core.page_formats import PageFormat
from ulna.core.paper.colour import PictureColours
from ulna.core.parts.kinds import Part, is_placed
from ulna.core.parts.pieces import Ground, Picture
from ulna.core.photos import crop as cropping
from ulna.core.photos.photo import Photo
from ulna.core.planner import plan_cuts
from ulna.core.sketches.designs import MOST_PHOTOS, family, for_format
from ulna.core.sketches.filling import Story, filled
from ulna.core.sketches.matching import Match, matches
from ulna.core.sketches.palette import Mood, Papers, at_hand, palette
from ulna.core.sketches.sketch import Sketch, box_of, mirrored

PLANNED = 400
"""What planning the cuts of one draft may cost (fittings): a few milliseconds."""
FEW = 4
"""So many photos go on a single page; more want a double one."""
TRIES = 4
"""So often other papers are tried for one sketch."""
NEVER = frozenset({
    "on-face", "face-gutter", "face-cut", "gutter", "parted", "run-together", "on-side", "letters", "things",
    "tape-short", "title-long", "on-focal",
})  # fmt: skip
"""What rules a draft out."""
COSTS: dict[str, float] = {"warn": 10.0, "note": 2.0}
OPENED, LOST = 1.5, 12.0
"""What a sheet that is begun costs, and a photo of which nothing would be left."""
QUIET = frozenset({"card-side", "placed", "no-paper", "goes-first", "overhang"})
"""Notes that say nothing against a draft."""


@dataclass(frozen=True, slots=True)
class Asked:
    """What is wanted of drafts. `keep` are papers to be left for later; with `scraps_only` no sheet is opened; with
    `use_up` sheets that are begun count for a draft. `like` names the family of sketches it is to be of. Parts that are
    `fixed` stay, and the rest is drafted round them."""

    photos: tuple[str, ...]
    format: PageFormat
    story: Story
    name: str = "New page"
    mood: Mood = "middle"
    seed: int = 0
    keep: frozenset[str] = frozenset()
    scraps_only: bool = False
    use_up: bool = False
    like: str = ""
    fixed: tuple[Part, ...] = ()
    sketches: tuple[Sketch, ...] = ()


@dataclass(frozen=True, slots=True)
class Draft:
    """A page, the sketch it was made from, what it opens and leaves in a line, what is weak about it. The lower its
    `score` the better."""

    plan: PagePlan
    sketch: str
    says: str
    weak: tuple[str, ...]
    opens: int
    score: float
    used: tuple[tuple[str, int], ...] = field(default=())


def pages_for(photos: int, format: PageFormat) -> int:
    """Single or double: few photos go on one page, many on two; a notebook lies open."""
    return 2 if format.is_notebook or photos > FEW else 1


def drafts(asked: Asked, ground: Ground, effort: int) -> Iterator[Draft]:
    """So many tries, each another sketch, papers, or both; what comes out is complete. Raises `FieldError` where there
    is nothing to draft from."""
    photos = [ground.photo(id) for id in asked.photos]
    _possible(asked, photos, ground)
    fixed = _boxes(asked, ground)
    looks = [look for photo in photos if (look := _look(photo, ground))]
    page_size = asked.format.width, asked.format.height
    papers = at_hand(ground.shelf, page_size, looks, asked.keep, asked.scraps_only, ground.longing)
    found = _matches(asked, photos, fixed, ground)
    for k in range(effort):
        match = found[k % len(found)]
        drawn = random.Random(f"{asked.seed} {k}")
        if k >= len(found) and drawn.random() < 0.5:
            match = replace(match, sketch=mirrored(match.sketch))
        draft = _draft(asked, match, photos, papers, ground, drawn)
        if draft is not None:
            yield draft


def best(asked: Asked, ground: Ground, effort: int, many: int) -> list[Draft]:
    """The best of so many tries, different in kind: one of each family before the second of any."""
    found = sorted(drafts(asked, ground, effort), key=lambda one: (one.score, one.sketch))
    kinds, rest = dict[str, Draft](), list[Draft]()
    for one in found:
        kind = one.sketch.split(",")[0]
        if kind in kinds:
            rest.append(one)
        else:
            kinds[kind] = one
    return [*kinds.values(), *rest][:many]


def _possible(asked: Asked, photos: Sequence[Photo], ground: Ground) -> None:
    if not photos:
        raise FieldError("photos", "", "there is no photo to begin from", "choose one or more")
    if len(photos) > MOST_PHOTOS:
        told = f"more than {MOST_PHOTOS} photos on a page"
        raise FieldError("photos", len(photos), told, "choose fewer, or print several in a template")
    if not any(paper.count for paper in ground.shelf.papers.values()):
        raise FieldError("papers", "", "there is no paper to make a page from", "unpack a kit first")


def _boxes(asked: Asked, ground: Ground) -> list[Rect]:
    """Where the parts that are fixed lie."""
    page = evaluate(PagePlan("fixed", asked.format, parts=asked.fixed), ground)
    placed = {part.id for part in asked.fixed if is_placed(part)}
    return [part.box for part in page.parts if part.box is not None and part.id in placed]


def _look(photo: Photo, ground: Ground) -> PictureColours | None:
    """The colours of a photo, cropped to a square."""
    square = cropping.crop(photo.pixels, (inches(4), inches(4)), photo.framing)
    return ground.edge(Picture(photo.id, Rect(inches(0), inches(0), inches(4), inches(4)), square, photo.look))


def _matches(asked: Asked, photos: Sequence[Photo], fixed: Sequence[Rect], ground: Ground) -> list[Match]:
    own = asked.sketches or for_format(asked.format)
    free = [_clear_of(one, fixed, ground) for one in own]
    found = matches(free, photos, asked.format)
    if asked.like:
        found = [one for one in found if family(one.sketch) == asked.like] or found
    if not found:
        told = f"no sketch has places for {len(photos)} photos there"
        raise FieldError("photos", len(photos), told, "choose fewer photos, or a double page")
    return found


def _clear_of(sketch: Sketch, fixed: Sequence[Rect], ground: Ground) -> Sketch:
    """A sketch without the places that lie on what is fixed; papers go under it."""
    if not fixed:
        return sketch
    kept = tuple(
        place for place in sketch.places
        if place.role in ("panel", "strip")
        or not any(box_of(place, ground.format, ground.ruler).meets(box) for box in fixed)
    )  # fmt: skip
    return replace(sketch, places=kept)


def _draft(
    asked: Asked, match: Match, photos: Sequence[Photo], papers: Papers, ground: Ground, drawn: random.Random
) -> Draft | None:
    """One draft of a sketch; other papers are tried where the first do not reach or run together."""
    for _ in range(TRIES):
        seed = drawn.randrange(1_000_000)
        made = filled(
            match, photos, asked.story, palette(papers, asked.mood, seed), ground, asked.name, asked.fixed
        )
        made = replace(made, plan=_readable(made.plan, _keeping(asked, ground)))
        bare = evaluate(made.plan, ground)
        if _ruled_out(bare.findings) or _ruled_out(on_papers := _on_papers(bare, ground)):
            continue
        cuts = plan_cuts(demand(bare.pieces, ground.shelf), PLANNED)
        if cuts.unplaced or (asked.scraps_only and cuts.whole_sheets_used):
            continue
        plan = _with_clusters(made.plan, bare, ground, seed)
        page = evaluate(plan, ground) if plan is not made.plan else bare
        standing = stand(plan.parts, ground)
        found = [
            *page.findings,
            *on_papers,
            *checks.told_of_the_whole(plan, page.pieces, ground),
            *readable.told(plan, page.pieces, standing, ground),
            *on_photos.told(plan, page.pieces, standing, ground, placed_at),
            *triangle.told(plan, page.pieces, standing, ground, placed_at),
        ]
        if _ruled_out(found):
            continue
        costs = cost(cuts, page.pieces, ground.shelf, ground.ruler)
        used = tuple((one.paper, one.opened) for one in costs.papers if one.opened)
        return Draft(
            plan, match.sketch.name, _says(costs), _weak(found, made.told), costs.opened,
            round(_score(found, costs, match, asked), 3), used,
        )  # fmt: skip
    return None


def _keeping(asked: Asked, ground: Ground) -> Ground:
    """The ground that proposes nothing that is kept for later, nor a sheet where only scraps are wanted."""
    papers = ground.shelf.papers.values()
    may = {p.id for p in papers if not {p.id, p.scrap_of} & asked.keep and (p.is_scrap or not asked.scraps_only)}
    return replace(ground, only=frozenset(may))


def _readable(plan: PagePlan, ground: Ground) -> PagePlan:
    """With what would do for titles that are hard to read on what they lie on, where the shelf has it."""
    page = evaluate(plan, ground)
    for one in readable.told(plan, page.pieces, stand(plan.parts, ground), ground):
        if one.remedies:
            plan = remedied(plan, one.remedies[0])
    return plan


def _ruled_out(found: Sequence[Finding]) -> bool:
    return any(one.severity == "stop" or (one.severity == "warn" and one.code in NEVER) for one in found)


def _on_papers(page: Evaluated, ground: Ground) -> list[Finding]:
    """What the checks of papers and photos say, which clusters do not change."""
    return [
        *run_together.told(page.pieces, ground),
        *stands_out.told(page.pieces, ground),
        *dominance.told(page.pieces),
        *on_side.told(page.pieces, ground),
    ]


def _with_clusters(plan: PagePlan, page: Evaluated, ground: Ground, seed: int) -> PagePlan:
    """With three clusters, where the shelf and the page have it in them."""
    try:
        found = proposed(plan, page, ground, 3, seed)
    except FieldError:
        return plan
    return replace(plan, parts=(*plan.parts, *found.parts))


def _score(found: Sequence[Finding], costs: Cost, match: Match, asked: Asked) -> float:
    against = sum(COSTS.get(one.severity, 0.0) for one in found if one.code not in QUIET)
    opened = -OPENED * costs.opened if asked.use_up else OPENED * costs.opened
    return against + opened + LOST * match.lost


def _says(costs: Cost) -> str:
    sheets = (
        "opens no sheet" if not costs.opened else f"opens {costs.opened} sheet{'' if costs.opened == 1 else 's'}"
    )
    scraps = sum(one.scraps for one in costs.papers)
    said = [sheets + (f" and takes {scraps} scrap{'' if scraps == 1 else 's'}" if scraps else "")]
    rests = [one for one in costs.papers if one.largest_rest is not None and one.opened]
    if rests:
        best = max(rests, key=lambda one: one.largest_rest.area if one.largest_rest else 0)
        said.append(f"leaves {best.rest_says} of {best.name} at the most")
    return "; ".join(said)


def _weak(found: Sequence[Finding], told: Sequence[str]) -> tuple[str, ...]:
    """What speaks against it, what is graver first."""
    graver = [one.sentence for one in found if one.severity == "warn"]
    lighter = [one.sentence for one in found if one.severity == "note" and one.code not in QUIET]
    return tuple(dict.fromkeys((*told, *graver, *lighter)))[:4]
