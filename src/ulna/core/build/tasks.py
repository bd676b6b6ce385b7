"""The steps of a page before they are put in order: what each does, and what comes before it.

What a step needs is found from what lies over what: underneath first; what is tucked under another part after that one
is tacked; pieces behind an opening before their sheet; stitches before what covers them, and before anything that
stands off the page under the needle; wet work before what lies on it. The date comes last.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

from ulna.core.build import cautions as care
from ulna.core.build.cautions import Caution
from ulna.core.build.glues import GLUES, Glue, glue_of, lift_of
from ulna.core.build.placing import Seat, on_page, on_piece
from ulna.core.build.steps import Step, StepKind
from ulna.core.build.thickness import of_piece
from ulna.core.build.units import Unit, units
from ulna.core.findings import Finding
from ulna.core.geometry.polygons import Bounds
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.paper.colour import of_hex, word
from ulna.core.parts.edge_work import SAID, WITH_COLOUR, EdgeHow
from ulna.core.parts.kinds import names_of
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.stamped import Stamped
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.wet import Wet, bears
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.media import MEDIA, POWDER_WITHIN
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen, cross
from ulna.core.things.thing import ThingKind

INK_DRIES = 5
"""Minutes that ink on an edge, or a stamped impression, takes."""
PEN_DRIES = 2
STANDS_OFF = 40
"""Thousandths of an inch: what is thicker is raised and comes last; where a piece lies over a rise of so much on one
side only, it bridges."""
SEAM = inches(0, 1, 8)
"""The needle wants so much room beside its line."""
SMALL = frozenset({ThingKind.ENAMEL, ThingKind.SEQUIN, ThingKind.BRAD, ThingKind.GEMS, ThingKind.CLIP})
STAGES: tuple[StepKind, ...] = (
    "base",
    "edge",
    "wet",
    "powder",
    "stitch",
    "fill",
    "assemble",
    "tack",
    "press",
    "glue",
)
LATE, WRITING, LAST = 20, 30, 40


@dataclass
class Task:
    """A step while its place in the order is looked for. `needs` are the ids of steps that come before it; of those,
    `tucks` are there for the sake of a tuck and may be let go where tucks go round in a ring. It comes `later` than
    others that it does not touch: it need not wait till those are dry."""

    step: Step
    at: int
    stage: int
    tool: str = ""
    pieces: tuple[Piece, ...] = ()
    region: Rect | None = None
    needs: set[str] = field(default_factory=set)
    tucks: set[str] = field(default_factory=set)
    later: set[str] = field(default_factory=set)


class Tasks:
    """The steps of one page before they are put in order."""

    def __init__(
        self,
        plan: Any,
        pieces: Sequence[Piece],
        standing: Mapping[str, Any],
        ground: Ground,
        numbers: Mapping[str, int],
    ) -> None:
        self.plan, self.pieces, self.standing, self.ground, self.numbers = plan, pieces, standing, ground, numbers
        self.names = names_of(plan.parts, ground)
        self.parts = {part.id: part for part in plan.parts}
        self.place = {piece.id: k for k, piece in enumerate(pieces)}
        self.units = units(plan, pieces)
        self.under = {one.under for one in plan.tucks if one.under in self.parts and one.part in self.parts}
        self.seen = Seen(pieces)
        self.thick = {piece.id: of_piece(piece, ground) for piece in pieces}
        self.high = [piece for piece in pieces if self.thick[piece.id] > STANDS_OFF]
        self.told = list[Finding]()

    def all(self) -> list[Task]:
        tasks = list[Task]()
        for unit in self.units:
            tasks += self._of_unit(unit)
        tasks += self._edges()
        for k, part in enumerate(self.plan.parts):
            tasks += self._of_lines(part, self._height(k))
        self._overlaps(tasks)
        self._tucks(tasks)
        return tasks

    def _height(self, k: int) -> int:
        """Where between the pieces something of part number k lies that has none itself: these are at even heights."""
        below = {part.id for part in self.plan.parts[:k]}
        return 2 * max((self.place[p.id] + 1 for p in self.pieces if p.part in below), default=0) - 1

    # ---- what has pieces --------------------------------------------------------------------------------------

    def _of_unit(self, unit: Unit) -> list[Task]:
        part, lowest = self.parts[unit.part], unit.down[0]
        at = 2 * self.place[lowest.id]
        if isinstance(part, Base):
            step = self._step("base", unit, f"Lay the {lowest.name} before you", unit.pieces, GLUES["none"], 0.5)
            return [Task(step, at, 0, pieces=unit.pieces)]
        tasks, needs = list[Task](), set[str]()
        if unit.behind:
            says = f"From the back, fix {_named(unit.behind)} behind {lowest.name}"
            spots = tuple(on_piece(p, lowest, self.ground.ruler, self._number(p)) for p in unit.behind)
            fill = Step(f"fill:{unit.id}", "fill", part.id, says, spots, where=(lowest.rect,), glue=GLUES["tape"],
                        minutes=2.0 * len(unit.behind))  # fmt: skip
            tasks.append(Task(fill, at, STAGES.index("fill"), "tape"))
            needs.add(fill.id)
        if unit.on_it:
            says = f"Put together off the page: {_named(unit.on_it)} onto {lowest.name}"
            spots = tuple(on_piece(p, lowest, self.ground.ruler, self._number(p)) for p in unit.on_it)
            glue = glue_of(unit.on_it[0], self.ground)
            put = Step(
                f"assemble:{unit.id}", "assemble", part.id, says, spots, where=(lowest.rect,), glue=glue,
                level=self._level(unit.on_it), careful=self._foam(unit.on_it), cautions=self._cautions(unit.on_it),
                minutes=1.5 * len(unit.on_it), dries=glue.sets,
            )  # fmt: skip
            tasks.append(Task(put, at, STAGES.index("assemble"), glue.name, needs=set(needs)))
            needs.add(put.id)
        tasks += self._down(unit, part, at, needs)
        return tasks

    def _down(self, unit: Unit, part: Any, at: int, needs: set[str]) -> list[Task]:
        """What is glued to the page; tacked first where something is slipped under it."""
        lowest = unit.down[0]
        glue = glue_of(lowest, self.ground)
        raised = any(self.thick[piece.id] > STANDS_OFF for piece in unit.pieces)
        what = self.names[part.id] if unit.on_it or len(unit.down) > 1 else lowest.name
        if isinstance(part, Stamped):
            step = self._step("stamp", unit, f"Stamp {what}", unit.down, GLUES["none"], 0.25 * len(unit.down))
            inked = replace(step, dries=INK_DRIES, heat="shortens")
            return [Task(inked, at, STAGES.index("wet"), "stamp", unit.down, needs=needs)]
        stage = LATE if raised or isinstance(part, Cluster | ThingPart | Scatter) else len(STAGES)
        if isinstance(part, Title if self.ground.rules.first == "photos" else PhotoPart):
            stage += 1
        minutes = 1.0 + 0.5 * len(unit.down)
        if unit.part in self.under:
            tack = self._step("tack", unit, f"Tack {what} in its middle only", unit.down, glue, minutes)
            press = Step(
                f"press:{unit.id}", "press", part.id, f"Glue {what} down fully", touches=tuple(p.id for p in unit.down),
                where=tuple(p.rect for p in unit.down), glue=glue, minutes=0.5,
            )  # fmt: skip
            return [
                Task(tack, at, stage, glue.name, unit.pieces, needs=needs),
                Task(press, at, stage, glue.name, needs={tack.id}),
            ]
        if any(piece.edge is not None and piece.edge.how == "curled" for piece in unit.down):
            step = self._step(
                "glue", unit, f"Glue {what} along its middle, edges bent up", unit.down, glue, minutes
            )
            free = replace(step, level="bent up", careful=(*step.careful, "Nothing is laid on its edges."))
            return [Task(free, at, LATE, glue.name, unit.pieces, needs=needs)]
        loose = (
            " in its middle, its edges loose" if self.ground.rules.glued == "loose" and glue.name == "tape" else ""
        )
        verb = {"pierced": "Pierce and fix", "clipped on": "Clip on", "own adhesive": "Stick"}.get(
            glue.name, "Glue"
        )
        step = self._step("glue", unit, f"{verb} {what}{loose}", unit.down, glue, minutes)
        return [Task(step, at, stage, glue.name, unit.pieces, needs=needs)]

    def _step(
        self, kind: StepKind, unit: Unit, says: str, pieces: Sequence[Piece], glue: Glue, minutes: float
    ) -> Step:
        spots = tuple(self._spot(piece) for piece in pieces)
        careful = (*self._foam(pieces), *self._bridging(pieces))
        return Step(
            f"{kind}:{unit.id}", kind, unit.part, says, spots, where=tuple(p.rect for p in pieces), glue=glue,
            level=self._level(pieces), careful=careful, cautions=self._cautions(pieces), minutes=minutes,
            dries=glue.sets,
        )  # fmt: skip

    def _spot(self, piece: Piece) -> Seat:
        return on_page(piece, self.ground.format, self.ground.ruler, self._number(piece))

    def _number(self, piece: Piece) -> int | None:
        return self.numbers.get(piece.id)

    def _level(self, pieces: Sequence[Piece]) -> str:
        lift = max((lift_of(piece, self.ground) for piece in pieces), default=ZERO)
        return f"{self.ground.ruler.say(lift)} off on foam" if lift > ZERO else "flat"

    def _foam(self, pieces: Sequence[Piece]) -> tuple[str, ...]:
        on_foam = [piece for piece in pieces if lift_of(piece, self.ground) > ZERO]
        if not on_foam:
            return ()
        small = any(min(p.rect.width, p.rect.height) < inches(1) for p in on_foam)
        cut = "; cut a square in four for what is small" if small else ""
        return (f"Foam stays 1/8 in inside the edge, and out of where something is tucked under{cut}.",)

    def _bridging(self, pieces: Sequence[Piece]) -> tuple[str, ...]:
        """Where a piece lies over a rise with one side and hangs in the air with the other."""
        found = list[str]()
        for piece in pieces if self.high else ():
            at, r = self.place[piece.id], piece.rect
            raised = [p for p in self.high if self.place[p.id] < at and self.seen.meet(p, piece)]
            if not raised or lift_of(piece, self.ground) > ZERO:
                continue
            corners = [
                (r.x.inches + r.width.inches * across, r.y.inches + r.height.inches * down)
                for across in (0.15, 0.85) for down in (0.15, 0.85)
            ]  # fmt: skip
            high = [sum(self.thick[p.id] for p in raised if self.seen.covers(p, corner)) for corner in corners]
            if max(high) - min(high) >= STANDS_OFF:
                foam = "1/16" if max(high) < 95 else "1/8"
                found.append(
                    f"{piece.name[0].upper()}{piece.name[1:]} bridges {raised[-1].name} and what lies lower: foam of "
                    f"{foam} in goes under its other side."
                )
        return tuple(found)

    def _cautions(self, pieces: Sequence[Piece]) -> tuple[Caution, ...]:
        kinds = {thing.kind for p in pieces if (thing := self.ground.shelf.things.get(p.thing or ""))}
        found = list[Caution]()
        if any(p.role == "print" for p in pieces):
            found.append(care.ORIGINALS)
        if ThingKind.BRAD in kinds:
            found.append(care.PIERCING)
        if kinds & SMALL:
            found.append(care.SMALL_PARTS)
        return tuple(found)

    # ---- what has none ----------------------------------------------------------------------------------------

    def _edges(self) -> list[Task]:
        """Edges that are worked alike are worked together, before any of their pieces is glued."""
        alike: dict[tuple[EdgeHow, str], list[Piece]] = {}
        for piece in self.pieces:
            if piece.edge is not None:
                alike.setdefault((piece.edge.how, piece.edge.colour), []).append(piece)
        if self.ground.rules.edges == "inked":
            rest = [
                p for p in self.pieces if p.is_paper and p.edge is None and p.role != "base" and p.letter is None
            ]
            if rest:
                alike.setdefault(("inked", "#4a3a2c"), []).extend(rest)
        tasks = list[Task]()
        for (how, colour), own in alike.items():
            ink = f" in {word(of_hex(colour))}" if how in WITH_COLOUR else ""
            says = f"{SAID[how]} the edges of {_named(own)}{ink}"
            dries = INK_DRIES if how == "inked" else PEN_DRIES if how == "outlined" else 0
            step = Step(
                f"edge:{how} {colour}", "edge", own[0].part, says, touches=tuple(p.id for p in own), dries=dries,
                heat="shortens" if dries else "", careful=("Clean hands before anything is glued.",) if dries else (),
                minutes=0.5 * len(own),
            )  # fmt: skip
            tasks.append(Task(step, 0, STAGES.index("edge"), how))
        return tasks

    def _of_lines(self, part: Any, at: int) -> list[Task]:
        """Wet work, stitches, words, the date."""
        one = self.standing[part.id]
        box = one.box
        if box is None:
            return []
        if isinstance(part, Wet):
            return self._wet(part, box, at)
        if isinstance(part, Stitching):
            says = (
                f"Stitch {part.sides}, {self.ground.ruler.say(part.inset)} inside the edge, through what lies there"
            )
            long = 2 * (box.width.inches + box.height.inches)
            step = Step(f"stitch:{part.id}", "stitch", part.id, says, where=(box,), careful=_NEEDLE,
                        cautions=(care.SEWING,), minutes=2 + 0.5 * long)  # fmt: skip
            return [Task(step, at, STAGES.index("stitch"), "needle", region=box)]
        if isinstance(part, Date):
            text = part.text or "the date"
            step = Step(f"date:{part.id}", "date", part.id, f"Put down {text}, {part.made}", where=(box,),
                        careful=(self._corner(box),), dries=PEN_DRIES, minutes=1)  # fmt: skip
            return [Task(step, at, LAST, "pen", region=box)]
        if isinstance(part, Words) and any(line.kind in ("words", "rule") for line in one.built.lines):
            many = len(part.text.split())
            step = Step(f"write:{part.id}", "write", part.id, f"Write {self.names[part.id]}", where=(box,),
                        careful=(self._corner(box),), dries=PEN_DRIES, minutes=1 + many / 15)  # fmt: skip
            own = any(piece.part == part.id for piece in self.pieces)
            early = own or self.ground.rules.words == "before"
            return [Task(step, at, STAGES.index("edge") if early else WRITING, "pen", region=None if own else box)]
        return []

    def _corner(self, box: Rect) -> str:
        format, say = self.ground.format, self.ground.ruler.say
        name = format.page_of(box)
        page = format.page("left" if name == "spread" else name)
        return f"It begins {say(box.x - page.x)} from the left and {say(box.y - page.y)} from the top."

    def _wet(self, part: Wet, box: Rect, at: int) -> list[Task]:
        medium = MEDIA[part.medium]
        where = self._corner(box).removeprefix("It begins ").removesuffix(".")
        but = (
            f", all but its middle from {self.ground.ruler.say(part.spared)} inside its edge" if part.spared else ""
        )
        called = part.name or word(of_hex(part.colour))
        says = f"{medium.does} ({called}) over {self.ground.ruler.say_size(box.width, box.height)}, {where}{but}"
        careful = ["Try the colours on a scrap of the same paper first; keep one by."]
        below = [p for p in self.pieces[: (at + 1) // 2] if p.is_paper and self.seen.meets(p, box)]
        paper = self.ground.shelf.papers.get(below[-1].choice.paper or "") if below else None
        if paper is not None and not bears(paper.stock):
            careful.append(f"{paper.name} is thin and curls: weigh it down while it dries, or work on card stock.")
        warned = [care.LABELS, *([care.SOLVENT] if medium.sprayed else []), care.HEAT]
        minutes = medium.thick if part.thick else medium.thin
        step = Step(
            f"wet:{part.id}", "wet", part.id, says, where=(box,), dries=minutes, heat=medium.heat,
            careful=tuple(careful), cautions=tuple(warned), minutes=4,
        )  # fmt: skip
        tasks = [Task(step, at, STAGES.index("wet"), part.medium, region=box)]
        if part.medium == "powder":
            powder = Step(
                f"powder:{part.id}", "powder", part.id, "Strew powder on the wet ink, tip it off, melt it",
                where=(box,), within=POWDER_WITHIN, dries=2, cautions=(care.HEAT,), minutes=3,
            )  # fmt: skip
            tasks[0].step = replace(step, dries=0)
            tasks.append(Task(powder, at, -1, "heat", region=box, needs={step.id}))
        return tasks

    # ---- what comes before what -------------------------------------------------------------------------------

    def _overlaps(self, tasks: list[Task]) -> None:
        """What lies lower comes first where two lie over each other; what is put together comes before it is glued."""
        edged = {id: t.step.id for t in tasks if t.step.kind == "edge" for id in t.step.touches}
        for task in tasks:
            if task.step.kind in ("assemble", "fill", "tack", "glue", "stamp"):
                own = [spot.piece for spot in task.step.spots]
                task.needs |= {edged[id] for id in own if id in edged}
                task.needs |= {
                    t.step.id
                    for t in tasks
                    if t.step.kind == "write" and t.region is None and t.step.part == task.step.part
                }
        laid = sorted((t for t in tasks if t.pieces or t.region is not None), key=lambda t: t.at)
        reach = [self._reach(t) for t in laid]
        for k, upper in enumerate(laid):
            for n in range(k):
                lower = laid[n]
                if not cross(reach[n], reach[k]) or lower.step.id == upper.step.id or not self._over(lower, upper):
                    continue
                stitched = upper.step.kind == "stitch" and lower.stage >= LATE
                first, then = (upper, lower) if stitched else (lower, upper)
                if first.step.kind == "powder":
                    continue
                strewn = first.tool == "powder" and first.step.part != then.step.part
                then.needs.add(f"powder:{first.step.part}" if strewn else first.step.id)
        others = {t.step.id for t in tasks if t.step.kind != "date"}
        for task in tasks:
            if task.step.kind == "date":
                task.later |= others - task.needs

    def _reach(self, task: Task) -> Bounds:
        boxes = [self.seen.bounds(piece) for piece in task.pieces]
        if task.region is not None:
            r = task.region
            boxes.append((r.x.inches, r.y.inches, r.right.inches, r.bottom.inches))
        left, top, right, bottom = zip(*boxes, strict=True)
        return min(left), min(top), max(right), max(bottom)

    def _over(self, a: Task, b: Task) -> bool:
        if a.pieces and b.pieces:
            return any(self.seen.meet(one, other) for one in a.pieces for other in b.pieces)
        if a.region is not None and b.region is not None:
            return a.region.meets(b.region)
        pieces, region = (a.pieces, b.region) if a.pieces else (b.pieces, a.region)
        if region is None:
            return False
        if "stitch" in (a.step.kind, b.step.kind):  # a seam runs along the edge; what lies within it is not met
            inner = Rect(region.x + SEAM, region.y + SEAM, region.width - SEAM * 2, region.height - SEAM * 2)
            pieces = tuple(piece for piece in pieces if not inner.contains(piece.rect))
        return any(self.seen.meets(piece, region) for piece in pieces)

    def _tucks(self, tasks: list[Task]) -> None:
        """What is slipped under another part comes after that is tacked and before it is glued down."""
        by_part: dict[str, list[Task]] = {}
        for task in tasks:
            if task.step.kind in ("tack", "glue", "press", "stamp"):
                by_part.setdefault(task.step.part, []).append(task)
        for tuck in self.plan.tucks:
            slipped = [t for t in by_part.get(tuck.part, ()) if t.step.kind != "press"]
            tacked = [t for t in by_part.get(tuck.under, ()) if t.step.kind == "tack"]
            pressed = [t for t in by_part.get(tuck.under, ()) if t.step.kind == "press"]
            if not tacked or not slipped:
                continue
            for task in slipped:
                task.tucks |= {t.step.id for t in tacked}
                says = f"{task.step.says}, its edge slipped under {self.names[tuck.under]}"
                task.step = replace(task.step, says=says)
            for task in tacked:
                task.needs -= {t.step.id for t in slipped}
            for task in pressed:
                task.needs |= {t.step.id for t in slipped}
        for ring in _together([(tuck.part, tuck.under) for tuck in self.plan.tucks]):
            laid = {t.step.id for id in ring for t in by_part.get(id, ()) if t.step.kind != "press"}
            for press in (t for id in ring for t in by_part.get(id, ()) if t.step.kind == "press"):
                press.needs |= laid


def _together(pairs: Iterable[tuple[str, str]]) -> list[set[str]]:
    """What hangs together by pairs."""
    found = list[set[str]]()
    for pair in pairs:
        joined = set(pair).union(*(one for one in found if one & set(pair)))
        found = [one for one in found if not one & joined] + [joined]
    return found


_NEEDLE = ("Nothing on foam, no thick glue and no staple under the needle.",)


def _named(pieces: Iterable[Piece]) -> str:
    """Their names, alike ones counted: three letters, mat 1 and the photo."""
    counted: dict[str, int] = {}
    for piece in pieces:
        counted[piece.name] = counted.get(piece.name, 0) + 1
    said = [name if many == 1 else f"{many} × {name}" for name, many in counted.items()]
    if len(said) > 6:
        return f"{', '.join(said[:5])} and {len(said) - 5} more"
    return said[0] if len(said) == 1 else f"{', '.join(said[:-1])} and {said[-1]}"
