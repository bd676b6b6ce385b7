"""How good first drafts are, by measures that are not their own score. Part of `make bench`; alone:

    python bench/drafts.py [stories]

Fifty stories are drawn by a seed: photos of drawn shapes and colours, papers of a made-up kit, a title, words. Of
each the best draft is held against a plain grid of the same photos on one paper: how many findings of severity warn it
has when it is evaluated anew, how many sheets the planner begins for it, and when the first and the best draft came.
"""

from __future__ import annotations

import random
import statistics
import sys
import time
from dataclasses import replace
from pathlib import Path

ROOT = Path(__file__).parent.parent
sys.path[:0] = [str(ROOT)]

from ulna.core.checks import dominance, run_together, stands_out  # noqa: E402
from ulna.core.cutting.demand import demand  # noqa: E402
from ulna.core.geometry.rects import Borders  # noqa: E402
from ulna.core.measure import Ruler, inches, parse  # noqa: E402
from ulna.core.page.evaluate import evaluate  # noqa: E402
from ulna.core.page.plan import PagePlan  # noqa: E402
from ulna.core.page_formats import PageFormat, of_kind  # noqa: E402
from ulna.core.paper.colour import Leading, PictureColours, of_hex  # noqa: E402
from ulna.core.paper.shelf import Shelf  # noqa: E402
from ulna.core.parts.kinds.base import Base  # noqa: E402
from ulna.core.parts.kinds.photo import PhotoPart  # noqa: E402
from ulna.core.parts.mats import Mat  # noqa: E402
from ulna.core.parts.pieces import Ground, PaperChoice, Picture  # noqa: E402
from ulna.core.parts.place import Across, Down, Place  # noqa: E402
from ulna.core.photos.crop import Face, Framing  # noqa: E402
from ulna.core.photos.photo import Photo  # noqa: E402
from ulna.core.photos.prints import Print  # noqa: E402
from ulna.core.planner import plan_cuts  # noqa: E402
from ulna.core.sketches.drafting import Asked, drafts, pages_for  # noqa: E402
from ulna.core.sketches.filling import Story  # noqa: E402
from ulna.core.words.writing import USUAL_HANDS  # noqa: E402
from ulna.demo import kits  # noqa: E402
from ulna.formats.faces import SHIPPED  # noqa: E402

EFFORT = 18
TITLES = ("SLOW WATER", "MARKET DAY", "RAIN AGAIN", "TWENTY LOCKS", "THE HERON", "KETTLE ON")
WORDS = "We went slowly, and the heron let us. Pip would not give up the tiller until the last bridge."
COLOURS = ("#9cc3d8", "#4f6b3c", "#a65a3a", "#2b3138", "#e9efe2", "#c99a2e", "#5f7a86", "#8d867a")


def story(number: int) -> tuple[Asked, Ground]:
    """A drawn story and the ground it stands on."""
    drawn = random.Random(number)
    kind = drawn.choice(("12x12", "12x12", "letter-upright", "notebook"))
    photos = {f"p{k}": _photo(k, drawn) for k in range(drawn.randint(1, 8))}
    format = replace(of_kind(kind), pages=pages_for(len(photos), of_kind(kind)))  # type: ignore[arg-type]
    kit = drawn.choice((kits.towpath(), kits.wharf()))
    papers = drawn.sample(list(kit.papers), min(len(kit.papers), drawn.randint(8, 12)))
    looks = {id: _look(drawn) for id in photos}

    def edge(picture: Picture) -> PictureColours | None:
        return looks.get(picture.photo or "")

    shelf = Shelf.of(papers, kit.things, kit.alphabets)
    hands = {hand.id: hand for hand in USUAL_HANDS}
    ground = Ground(format, shelf, photos, Ruler(), SHIPPED, hands, edge=edge)
    told = Story(drawn.choice(TITLES), WORDS if drawn.random() < 0.8 else "", "14 March 2026")
    return Asked(tuple(photos), format, told, seed=number), ground


def _photo(k: int, drawn: random.Random) -> Photo:
    size = drawn.choice([(4500, 3000), (3000, 4500), (4000, 4000), (5000, 2800)])
    faces = (Face(drawn.uniform(0.25, 0.75), drawn.uniform(0.25, 0.6), 0.25),) if drawn.random() < 0.6 else ()
    return Photo(f"p{k}", f"Photo {k}", size, Framing(faces=faces))


def _look(drawn: random.Random) -> PictureColours:
    colours = drawn.sample(COLOURS, 3)
    leading = tuple(
        Leading(of_hex(one), (int(one[1:3], 16), int(one[3:5], 16), int(one[5:7], 16)), 0.3) for one in colours
    )
    return PictureColours(of_hex(colours[0]), drawn.uniform(4, 30), leading)


def plain_grid(asked: Asked, ground: Ground) -> PagePlan:
    """The same photos in rows, on a mat each, on one paper: what one would lay without thinking."""
    format: PageFormat = asked.format
    ids = list(ground.shelf.papers)
    plain = PaperChoice(next((id for id in ids if ground.shelf.papers[id].a.busy == 0), ids[0]))
    mat = PaperChoice(ids[0])
    parts: list[object] = [Base(f"base-{on}", on, plain) for on in format.names]  # type: ignore[arg-type]
    side = min(inches(3), (format.width - inches(1)).part(1, 2))
    for k, id in enumerate(asked.photos):
        on = format.names[k % format.pages]
        row, column = divmod(k // format.pages, 2)
        step, edge = side + inches(0, 1, 2), inches(0, 3, 8)
        place = Place(on, Across("left", edge + step * column), Down("top", edge + step * row))
        parts.append(PhotoPart(f"photo-{k}", Print(id, side, side), (Mat(Borders.even(parse("1/8")), mat),), place))
    return PagePlan("grid", format, parts=tuple(parts))  # type: ignore[arg-type]


def warnings(plan: PagePlan, ground: Ground) -> int:
    """Findings of severity warn, counted anew: those of every page, and what people look at first."""
    page = evaluate(plan, ground)
    found = [*page.findings, *run_together.told(page.pieces, ground), *stands_out.told(page.pieces, ground)]
    found += dominance.told(page.pieces)
    return sum(one.severity in ("warn", "stop") for one in found)


def opened(plan: PagePlan, ground: Ground) -> int:
    return plan_cuts(demand(evaluate(plan, ground).pieces, ground.shelf), 2_000).whole_sheets_used


def table(stories: int = 50) -> None:
    """One line for each measure."""
    first, best_at, clean, sheets, grids, none = list[float](), list[float](), 0, list[int](), list[int](), 0
    grid_clean = 0
    for number in range(stories):
        asked, ground = story(number)
        start, best, when = time.perf_counter(), None, 0.0
        for draft in drafts(asked, ground, EFFORT):
            now = time.perf_counter() - start
            if best is None:
                first.append(now)
            if best is None or draft.score < best.score:
                best, when = draft, now
        if best is None:
            none += 1
            continue
        best_at.append(when)
        clean += warnings(best.plan, ground) == 0
        sheets.append(best.opens)
        grid = plain_grid(asked, ground)
        grid_clean += warnings(grid, ground) == 0
        grids.append(opened(grid, ground))
    drafted = len(best_at)
    print(f"first drafts of {stories} drawn stories, {EFFORT} tries each")
    print(f"  stories with a draft        {drafted} of {stories}")
    print(f"  without a warning           {clean / drafted:.0%} (a plain grid: {grid_clean / drafted:.0%})")
    print(
        f"  sheets begun, mean          {statistics.mean(sheets):.1f} (a plain grid: {statistics.mean(grids):.1f})"
    )
    print(
        f"  time to the first, median   {statistics.median(first):.2f} s, 95th {_high(first):.2f} s (wanted: 1 s)"
    )
    print(f"  time to the best, median    {statistics.median(best_at):.2f} s, 95th {_high(best_at):.2f} s")


def _high(found: list[float]) -> float:
    return sorted(found)[int(0.95 * (len(found) - 1))]


if __name__ == "__main__":
    table(int(sys.argv[1]) if len(sys.argv) > 1 else 50)
