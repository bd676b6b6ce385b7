"""One household's things as the core knows them: the store read into a shelf, photos, a ruler, pages, cut lists.

This is the one place where store, formats and core meet; the API, the command line and the demo stand on it.
"""

from __future__ import annotations

import contextlib
import hashlib
import io
import itertools
import json
import re
import threading
from base64 import b64decode
from collections.abc import Callable, Hashable, Iterable, Mapping, Sequence
from dataclasses import replace
from pathlib import Path
from typing import Any, BinaryIO, NamedTuple, TypeVar

from ulna.core.build.progress import Building
from ulna.core.cutting import progress, scraps
from ulna.core.errors import FieldError
from ulna.core.kit.cutting import Cutting, Stage
from ulna.core.kit.finished import Finished, Times
from ulna.core.kit.from_club import Origin
from ulna.core.kit.settings import Settings
from ulna.core.kit.together import PageSet
from ulna.core.kit.tracing import Tracing
from ulna.core.measure import Length, Ruler, inches
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan, Variant
from ulna.core.page.standing import stand
from ulna.core.page_formats import PageFormat
from ulna.core.paper import colour, ranking, sheets_seen
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Kit, Paper, Shelf, Side
from ulna.core.parts.pieces import Ground, Picture
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.core.photos.photo import Photo
from ulna.core.photos.print_list import PrintList
from ulna.core.rules import Rules, settle
from ulna.core.sketches.sketch import Sketch
from ulna.core.words.faces import OwnFace
from ulna.formats import collection
from ulna.formats.documents import held, written
from ulna.formats.faces import Faces
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.household import house_rules, letters, own_faces, things
from ulna.household.darkroom import Darkroom
from ulna.household.documents import Documents
from ulna.household.outside import Outside
from ulna.household.planroom import Here
from ulna.household.printing import Printing
from ulna.household.roll import Roll
from ulna.store.errors import Changed, NotThere
from ulna.store.ids import new_id
from ulna.store.library import Library
from ulna.store.picture_box import PictureBox
from ulna.store.states import Aside, Kept

MOST_CACHED = 1_000

WORKED_OUT = ("cuttings", "keeps")
"""What may be followed besides kinds of documents."""

WHOLE = Crop(0, 0, 1, 1)
PRINT_SEEN = 3.0
"""So many inches of a print are looked at."""
SHEETS_LONGEST = 220
"""To so many pixels a photograph of sheets is made smaller before they are looked for."""

COLOURS_LONGEST = 36
"""To so many pixels a picture is made smaller before its colours are measured."""


CUTTING_OF = "cutting-"
"""What the id of a page's cutting begins with."""


Value = TypeVar("Value")


class Brought(NamedTuple):
    """What came in: so many kits and pages that are new, and so many of both that were here already."""

    kits: int
    pages: int
    here: int


def named(ids: Sequence[str], k: int, kind: str, value: Kit | PagePlan) -> str:
    """The id of something that comes in: as its file has it, or made from its content, so that it is known again."""
    if k < len(ids):
        return ids[k]
    content = json.dumps(written(value), sort_keys=True, ensure_ascii=False)
    return f"{kind}-{hashlib.sha256(content.encode()).hexdigest()[:12]}"


def _add_once(documents: Documents[Value], id: str, value: Value, what: str) -> bool:
    """Adds a document unless it is here; one that was put away comes back. Whether it is new."""
    try:
        documents.add(value, what, id=id)
    except Changed as here:
        if here.current.deleted:
            documents.put_away(id, here.current.version, away=False)
        return False
    return True


def _named_in(kit: Kit) -> list[str]:
    """The ids of what pages name of a kit: its papers, its alphabets, its things."""
    return [
        *(one.id for one in kit.papers),
        *(one.id for one in kit.alphabets),
        *(one.id for one in kit.things),
    ]


def without(shelf: Shelf, kept: Mapping[str, int]) -> Shelf:
    """The shelf less so many sheets of some papers."""
    papers = {p.id: replace(p, count=max(0, p.count - kept.get(p.id, 0))) for p in shelf.papers.values()}
    return replace(shelf, papers=papers) if kept else shelf


class Household:
    """Reads and writes one home folder. Values are cached for as long as their documents do not change."""

    def __init__(
        self, home: Path, outside: Outside = Outside(), sweep: bool = True, planroom: Here | None = None
    ) -> None:
        """Opens it, made where it is not there. Pictures that nothing speaks of are thrown away where it is to `sweep`.

        Raises `StoreError`.
        """
        self.library = Library(home)
        self.kits = Documents(self.library, "kit", Kit, self._begun_sheets_stay)
        self.pages = Documents(self.library, "page", PagePlan)
        self.variants = Documents(self.library, "variant", Variant)
        self.cut_lists = Documents(self.library, "cutting", Cutting)
        self.sets = Documents(self.library, "set", PageSet)
        self.all_settings = Documents(self.library, "settings", Settings)
        self.own_faces = Documents(self.library, "face", OwnFace)
        self.sketches = Documents(self.library, "sketch", Sketch)
        self.buildings = Documents(self.library, "building", Building)
        self.times = Documents(self.library, "times", Times)
        self.finished = Documents(self.library, "finished", Finished)
        self.tracings = Documents(self.library, "tracing", Tracing)
        self.origins = Documents(self.library, "origin", Origin)
        self.outside = outside
        self.pictures = PictureBox(home / "pictures")
        self.darkroom = Darkroom()
        self.roll = Roll(self.library, self.pictures, self.darkroom)
        self.printing = Printing(self.library, self.roll, self.darkroom, outside.printer)
        found: tuple[Documents[Any], ...] = (
            self.kits, self.pages, self.variants, self.cut_lists, self.sets, self.all_settings,
            self.own_faces, self.sketches, self.roll.records, self.roll.templates, self.printing.lists,
            self.printing.runs, self.buildings, self.times, self.finished, self.tracings, self.origins,
        )  # fmt: skip
        self.documents = {documents.kind: documents for documents in found}
        self.planroom = planroom or Here()
        self.lasting: dict[str, dict[str, Any]] = {}
        """What a long list keeps of each of its entries, so that only those that changed are worked out again."""
        self._cache: dict[Hashable, tuple[object, Any]] = {}
        self._editions: dict[str, tuple[int, object]] = {}
        self._editing = threading.Lock()
        if sweep:
            self.pictures.sweep(self.pictured)

    def close(self) -> None:
        self.darkroom.close()
        self.planroom.close()
        self.pictures.close()
        self.library.close()

    def cached(self, key: Hashable, kinds: Iterable[str], make: Callable[[], Value]) -> Value:
        """What `make` gives, made again only once a document of these kinds has changed."""
        if self.library.in_transaction:  # what is read there may never come to be
            return make()
        stamp = self.stamp(kinds)
        found = self._cache.get(key)
        if found is None or found[0] != stamp:
            self.remember(key, stamp, made := make())
            return made
        self._cache[key] = self._cache.pop(key, found)  # what was asked for last goes last
        value: Value = found[1]
        return value

    def stamp(self, kinds: Iterable[str]) -> object:
        """What is another one whenever a document of these kinds has changed."""
        asked = list(kinds)
        worked = [self._edition(kind) for kind in asked if kind in WORKED_OUT]
        return self.library.stamps([kind for kind in asked if kind not in WORKED_OUT]), *worked

    def _edition(self, name: str) -> int:
        """Counts the changes of something that is worked out from documents, most of whose changes do not touch it."""
        value: object = self.cuttings() if name == "cuttings" else self.keeps()
        with self._editing:
            count, last = self._editions.get(name, (0, None))
            if last != value:
                count += 1
                self._editions[name] = count, value
            return count

    def remember(self, key: Hashable, stamp: object, value: object) -> None:
        """Keeps a value for as long as the stamp is the same."""
        if len(self._cache) > MOST_CACHED:
            for old in list(self._cache)[: MOST_CACHED // 2]:
                self._cache.pop(old, None)
        self._cache.pop(key, None)
        self._cache[key] = stamp, value

    # ---- settings, shelf, photos -----------------------------------------------------------------------

    def settings(self) -> Kept[Settings]:
        """The settings' document, made on first asking."""
        return self.all_settings.only(Settings)

    def ruler(self, rules: Rules | None = None) -> Ruler:
        """The household's, or the one that rules ask for."""
        settings = self.settings().body
        return settings.ruler_by(rules) if rules else settings.ruler

    def punches(self) -> tuple[Punch, ...]:
        return self.settings().body.punches

    def least_scrap(self) -> Length:
        """Rests narrower than this are waste."""
        return self.settings().body.least_scrap

    def shelf(self) -> Shelf:
        """Every paper of every kit that is not put away, as it was unpacked."""
        return self.cached("shelf", ["kit"], self._read_shelf)

    def _read_shelf(self) -> Shelf:
        kits = [kept.body for kept in self.kits.all()]
        return Shelf.of(
            [paper for kit in kits for paper in kit.papers],
            (thing for kit in kits for thing in kit.things),
            (alphabet for kit in kits for alphabet in kit.alphabets),
        )

    def _begun_sheets_stay(self, id: str, kit: Kit) -> None:
        """Raises `FieldError` where a kit would have fewer sheets of a paper than are begun."""
        before = {paper.id: paper for paper in self.kits.get(id).body.papers}
        counts = {paper.id: paper.count for paper in kit.papers}
        fewer = [paper for paper in before.values() if counts.get(paper.id, 0) < paper.count]
        if not fewer:
            return
        begun = [sheet.paper for one in self.cuttings().values() for sheet in progress.begun(*one.begun)]
        for paper in fewer:
            used, count = begun.count(paper.id), counts.get(paper.id, 0)
            if count < used:
                sheets = "1 sheet is" if used == 1 else f"{used} sheets are"
                told = f"{sheets} begun already"
                raise FieldError(
                    f"{paper.name}: sheets", count, told, f"count {used} or more, or take the cuts back"
                )

    def shelf_for(self, page: str | None) -> Shelf:
        """What a page can be cut from: the shelf less the sheets that other pages have begun, plus their rests."""
        return self.cached(
            ("shelf", page), ["kit", "settings", "cuttings", "keeps"], lambda: self._read_shelf_for(page)
        )

    def _read_shelf_for(self, page: str | None) -> Shelf:
        lists = [cutting.begun for id, cutting in self.cuttings().items() if id != page]
        shelf, _ = scraps.after(self.shelf(), lists, least=self.least_scrap())
        return without(shelf, self.kept_back(page))

    def kept_back(self, page: str | None) -> dict[str, int]:
        """How many sheets of which papers are kept back for other pages than this, and not begun yet."""
        found: dict[str, int] = {}
        for other, keeps in self.keeps().items():
            for paper, count in keeps.items() if other != page else ():
                found[paper] = found.get(paper, 0) + count
        return found

    def keeps(self) -> dict[str, dict[str, int]]:
        """For each page the sheets that are kept back for it, by paper, less those that it has begun."""
        return self.cached("keeps", ["page", "cutting"], self._read_keeps)

    def _read_keeps(self) -> dict[str, dict[str, int]]:
        found, cuttings = {}, self.cuttings()
        for kept in self.pages.all():
            if not kept.body.keeps:
                continue
            cutting = cuttings.get(kept.id)
            begun = [s.paper for s in progress.begun(*cutting.begun)] if cutting else []
            left = {keep.paper: keep.count - begun.count(keep.paper) for keep in kept.body.keeps}
            found[kept.id] = {paper: count for paper, count in left.items() if count > 0}
        return found

    def cuttings(self) -> dict[str, Cutting]:
        """The cutting of every page that is not put away and was begun, by the page's id."""
        return self.cached("cuttings", ["cutting", "page"], self._read_cuttings)

    def _read_cuttings(self) -> dict[str, Cutting]:
        there = {kept.id for kept in self.pages.all()}
        found = {kept.id.removeprefix(CUTTING_OF): kept.body for kept in self.cut_lists.all()}
        return {page: cutting for page, cutting in found.items() if page in there}

    def stage(self, page: str | None) -> Stage:
        """How far a page is cut."""
        cutting = self.cuttings().get(page or "")
        return cutting.stage if cutting else "planned"

    def photos(self) -> dict[str, Photo]:
        return self.cached("photos", ["photo", "template"], self.roll.photos)

    def pictured(self) -> set[str]:
        """The ids of all photos and templates, put away or unreadable ones too."""
        kinds = self.roll.records, self.roll.templates
        return {one.id for documents in kinds for one in [*documents.all(), *documents.away(), *documents.aside()]}

    def aside(self) -> list[Aside]:
        """Every document that cannot be read."""
        return [one for documents in self.documents.values() for one in documents.aside()]

    def add_sheet_picture(self, stream: BinaryIO, file: str) -> str:
        """Keeps a photograph of a sheet; its id. Raises `FieldError` where it is no picture."""
        from ulna.formats import pictures  # slow to import

        arrived = self.pictures.arrive(stream, MOST_PICTURE_BYTES)
        try:
            picture = self.darkroom.run(pictures.read_file, file, arrived, file)
            id = new_id("sheet")
            self.pictures.put(id, arrived, picture.suffix, picture.view, picture.thumb)
        finally:
            arrived.unlink(missing_ok=True)
        return id

    def straighten(self, id: str, corners: list[tuple[float, float]], width: Length, height: Length) -> str:
        """A photographed sheet laid flat at its size, kept as a picture of its own; its id."""
        from ulna.formats import pictures

        data = self.pictures.path(id, "original").read_bytes()
        flat = self.darkroom.run(pictures.straightened, "sheet", data, corners, width.inches, height.inches)
        return self.add_sheet_picture(io.BytesIO(flat), "sheet.jpg")

    def sheets_in(self, id: str) -> list[sheets_seen.SheetSeen]:
        """The sheets that lie in a photograph, and how large they are likely to be. Raises `NotThere`."""
        from ulna.formats import pictures

        view = self.pictures.path(id, "view").read_bytes()
        return sheets_seen.sheets(*pictures.grid(view, AS_IT_CAME, WHOLE, SHEETS_LONGEST))

    def paper_in(
        self, id: str, corners: list[tuple[float, float]], width: Length, height: Length, name: str
    ) -> Paper:
        """A paper of one sheet in a photograph: laid flat, and described as it is seen. Raises `NotThere`,
        `FieldError`."""
        from ulna.formats import pictures

        flat = self.straighten(id, corners, width, height)
        view = self.pictures.path(flat, "view").read_bytes()
        few = pictures.grid(view, AS_IT_CAME, WHOLE, SHEETS_LONGEST)
        looked_at = colour.look(*pictures.grid(view, AS_IT_CAME, WHOLE, COLOURS_LONGEST))
        seen = sheets_seen.printed(*few, looked_at, width)
        side = Side("plain", seen.colours, seen.busy, seen.direction, seen.repeat or inches(1), flat)
        return Paper(new_id("paper"), name, width, height, a=side)

    # ---- whole libraries -------------------------------------------------------------------------------

    def whole(self) -> collection.Document:
        """Everything but the pictures themselves."""
        kits, pages = self.kits.all(), self.pages.all()
        return collection.Document(
            kits=tuple(kept.body for kept in kits),
            kit_ids=tuple(kept.id for kept in kits),
            photos=tuple(collection.KeptPhoto(kept.id, kept.body) for kept in self.roll.records.all()),
            pages=tuple(kept.body for kept in pages),
            page_ids=tuple(kept.id for kept in pages),
            cuttings=tuple(collection.KeptCutting(id, one) for id, one in self.cuttings().items()),
            templates=tuple(collection.KeptTemplate(kept.id, kept.body) for kept in self.roll.templates.all()),
            faces=tuple(collection.KeptFace(kept.id, kept.body) for kept in self.own_faces.all()),
            settings=self.settings().body,
            print_list=self._print_list(),
        )

    def _print_list(self) -> PrintList | None:
        with contextlib.suppress(NotThere):
            return self.printing.lists.get("prints").body
        return None

    def bring_in_library(self, whole: collection.Document, what: str = "brought in") -> Brought:
        """A whole library but for its photos, whose pictures are not in it. Templates and faces keep their ids, by
        which pages name them; settings and the print list come where the household's own are still as they began."""
        with self.library.transaction():
            _bring_in_first(self.all_settings, whole.settings, what)
            _bring_in_first(self.printing.lists, whole.print_list, what)
            for one in whole.templates:
                with contextlib.suppress(Changed):
                    self.roll.templates.add(one.template, what, id=one.id)
            own_faces.take_in_faces(self, whole.faces)
            return self.bring_in(whole.kits, whole.pages, what, whole.cut, whole.kit_ids, whole.page_ids)

    def bring_in(
        self,
        kits: Sequence[Kit] = (),
        pages: Sequence[PagePlan] = (),
        what: str = "brought in",
        cuttings: Mapping[int, Cutting] | None = None,
        kit_ids: Sequence[str] = (),
        page_ids: Sequence[str] = (),
    ) -> Brought:
        """Adds kits and pages, all or none; papers whose id is taken get another one, and the pages follow.

        What is here already, known by its id or where a file has none by its content, is left as it is, and comes back
        where it was put away. `cuttings` are what is cut of a page already, by its place among the pages: sheets that
        are used stay used.
        """
        with self.library.transaction():
            ids = [named(kit_ids, k, "kit", kit) for k, kit in enumerate(kits)]
            here = {kept.id for kept in [*self.kits.all(), *self.kits.away()]}
            known = [kept.body for kept in [*self.kits.all(), *self.kits.away()]]
            taken = {id for kit in known for id in _named_in(kit)}
            fresh = dict[str, str]()
            for id, kit in zip(ids, kits, strict=True):
                for one in _named_in(kit):
                    fresh[one] = self._paper_id(id, one, id in here, taken)
            new_kits = [
                _add_once(self.kits, id, collection.with_papers(kit, fresh), what)
                for id, kit in zip(ids, kits, strict=True)
            ]
            new_pages = []
            for k, page in enumerate(pages):
                id = named(page_ids, k, "page", page)
                new_pages.append(_add_once(self.pages, id, collection.with_papers(page, fresh), what))
                if new_pages[-1] and cuttings and k in cuttings:
                    cut = collection.with_papers(cuttings[k], fresh)
                    self.cut_lists.add(cut, what, id=f"{CUTTING_OF}{id}")
            return Brought(sum(new_kits), sum(new_pages), len(kits) + len(pages) - sum(new_kits) - sum(new_pages))

    def _paper_id(self, kit: str, paper: str, is_here: bool, taken: set[str]) -> str:
        """The id under which a paper of a kit that comes in is kept: the same whenever the same kit comes again."""
        other = f"paper-{hashlib.sha256(f'{kit} {paper}'.encode()).hexdigest()[:12]}"
        if is_here:
            return other if other in taken else paper
        return other if paper in taken else paper

    # ---- pages -----------------------------------------------------------------------------------------

    def _less(self, shelf: Shelf, takings: letters.Takings, stuck_on: things.Takings) -> Shelf:
        """The shelf less what pages take of its letters and things."""
        counted, lengths = things.left_by(shelf, stuck_on)
        left = letters.left_by(self, takings)
        return replace(shelf, letters_left=left, things_left=counted, lengths_left=lengths)

    def ground_for(self, plan: PagePlan, page: str | None = None) -> Ground:
        """What a page is worked out against, by the rules that hold for it."""
        rules = house_rules.settled(self, plan).rules
        only = house_rules.from_its_kits(self, plan) if rules.paper == "kit" else None
        return self.ground(plan.format, page, rules, only)

    def ground(
        self, format: PageFormat, page: str | None = None, rules: Rules | None = None,
        only: frozenset[str] | None = None,
    ) -> Ground:  # fmt: skip
        """The same ground for as long as nothing on it changes; by the household's rules where none are said."""
        held_to = rules or settle(Rules(), (), self.settings().body.rules).rules
        kinds = ["kit", "photo", "template", "settings", "face", "cuttings", "keeps"]
        takings, stuck_on = letters.elsewhere(self, page), things.elsewhere(self, page)
        return self.cached(
            ("ground", page, format, takings, stuck_on, held_to, only),
            kinds,
            lambda: Ground(
                format,
                self._less(self.shelf_for(page), takings, stuck_on),
                self.photos(),
                self.ruler(held_to),
                self.faces(),
                {hand.id: hand for hand in self.settings().body.hands},
                self.punches(),
                held_to,
                self._edge,
                self._print_of,
                only=only,
            ),
        )

    def faces(self) -> Faces:
        """Those that ship, and the household's own."""
        own = self.own_faces
        return self.cached("faces", ["face"], lambda: Faces({k.id: b64decode(k.body.font) for k in own.all()}))

    def called(self, name: str) -> str:
        """The name, with the next number behind it where a page is called so already: "New page 2"."""
        taken = {kept.body.name for kept in self.pages.all()}
        if name not in taken:
            return name
        stem = re.sub(r" \d+$", "", name)[:112]
        return next(one for k in itertools.count(2) if (one := f"{stem} {k}") not in taken)

    def page(self, id: str) -> PagePlan:
        """Raises `NotThere`."""
        return self.pages.get(id).body

    def mat_choices(
        self, plan: PagePlan, part: str, mat: int, page: str | None = None
    ) -> tuple[colour.PictureColours | None, list[ranking.MatChoice]]:
        """The colours of a part's picture, and the papers there are as one of its mats (from 0), best first."""
        ground = self.ground_for(plan, page)
        built = stand(plan.parts, ground)[plan.part(part).id].built
        pieces = {p.id: p for p in built.pieces}
        shown = next((p.picture for p in built.pieces if p.picture and p.picture.photo and p.picture.crop), None)
        if shown is None or shown.photo is None or shown.crop is None:
            return None, []
        look, lies = self._colours(shown.photo, shown.look, shown.crop), pieces.get(f"{part}/mat-{mat + 1}")
        inner = pieces.get(f"{part}/mat-{mat}")
        paper = ground.shelf.papers.get(inner.choice.paper or "") if inner else None
        beside = paper.face(inner.choice.side) if inner and paper else None
        size = (lies.rect.width, lies.rect.height) if lies else (built.width, built.height)
        layer: ranking.Layer = "second" if mat else "first"
        papers = [p for p in ground.shelf.papers.values() if p.id in self.shelf().papers]
        there = [p for p in papers if ground.proposes(p.id) and ranking.available(ground.shelf, p, size)]
        return look, ranking.rank(there, look, layer, beside)

    def _colours(self, photo: str, look: Look, crop: Crop) -> colour.PictureColours:
        from ulna.formats import pictures

        def measure() -> colour.PictureColours:
            view = self.roll.picture(photo, "view").read_bytes()
            return colour.look(*pictures.grid(view, look, crop, COLOURS_LONGEST))

        return self.cached(("colours", photo, look, crop), ["photo", "template"], measure)

    def _edge(self, picture: Picture) -> colour.PictureColours | None:
        """The colours of a picture that a page shows; none where it is not there."""
        if picture.photo is None or picture.crop is None:
            return None
        with contextlib.suppress(NotThere, OSError):
            return self._colours(picture.photo, picture.look, picture.crop)
        return None

    def _print_of(self, side: Side) -> colour.PictureColours | None:
        """The colours of a paper's print: of its photograph where there is one, else of a piece as it is drawn."""
        return self.cached(("print", side), ["kit"], lambda: self._measured(side))

    def _measured(self, side: Side) -> colour.PictureColours | None:
        from ulna.formats import pictures, svg

        with contextlib.suppress(NotThere, OSError):
            if side.picture:
                data = self.pictures.path(side.picture, "thumb").read_bytes()
            else:
                data = svg.swatch(side, PRINT_SEEN, COLOURS_LONGEST)
            return colour.look(*pictures.grid(data, AS_IT_CAME, WHOLE, COLOURS_LONGEST))
        return None

    def evaluated(self, plan: PagePlan, page: str | None = None) -> Evaluated:
        return evaluate(plan, self.ground_for(plan, page))

    def want_prints_of(self, page: str, version: int) -> Kept[PrintList]:
        """Puts every print of a page on the list; what the page had there before is taken off first. Raises
        `NotThere`, `Changed`."""
        plan = self.page(page)
        prints = self.printing.kept(self.ruler()).body
        coming = self.printing.of_page(page, self.evaluated(plan, page))
        wanted = (*(w for w in prints.wanted if w.page != page), *coming)
        now = held(replace(prints, wanted=wanted))
        return self.printing.lists.write("prints", version, now, f"wanted the prints of {plan.name}")


def _bring_in_first(documents: Documents[Value], value: Value | None, what: str) -> None:
    """Where the household's own document is still as it began."""
    if value is None:
        return
    try:
        documents.add(value, what, id=documents.kind)
    except Changed as there:
        if there.current.version == 1:
            documents.write(documents.kind, 1, value, what)
