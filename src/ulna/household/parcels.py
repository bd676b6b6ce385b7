"""Pages that travel: packed with their papers, photos, templates and cuts, and taken in where other things are already.

Ids never collide: what is the same here is used, what is like it stands in for it, everything else is brought along
under ids of its own.
"""

from __future__ import annotations

import tempfile
from collections.abc import Callable, Collection, Iterable, Mapping
from contextlib import closing
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any, BinaryIO, NamedTuple, TypeVar

from ulna.core.kit.settings import MOST_HANDS
from ulna.core.page.plan import PagePlan, photos_of, things_of
from ulna.core.paper.shelf import Kit, Paper
from ulna.core.photos.template import Template
from ulna.core.things.thing import Thing
from ulna.core.words.alphabets import Alphabet
from ulna.core.words.writing import Hand
from ulna.formats import collection, parcel
from ulna.formats.documents import read as read_value
from ulna.formats.documents import written
from ulna.household.home import CUTTING_OF, Household
from ulna.household.own_faces import take_in_faces
from ulna.store import backup
from ulna.store.errors import NotThere
from ulna.store.ids import new_id

Value = TypeVar("Value")
Named = TypeVar("Named", Alphabet, Thing)


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What came with a parcel: pages by id, how many were here already; papers that were matched with ones here, papers
    that were brought along, photos that are new; what is missing, each in a sentence."""

    pages: tuple[str, ...] = ()
    here: int = 0
    matched: int = 0
    brought: tuple[str, ...] = ()
    photos: int = 0
    missing: tuple[str, ...] = ()


class _Matched(NamedTuple):
    """The papers, alphabets and things of a parcel by the ids they have here; kits of those that are brought along,
    with their ids; how many papers were matched."""

    fresh: Mapping[str, str]
    kits: tuple[tuple[str, Kit], ...]
    matched: int


# ---- going out -------------------------------------------------------------------------------------


def pack(home: Household, pages: Collection[str] | None, out: BinaryIO) -> None:
    """Packs pages with what belongs to them, or everything. Raises `NotThere`."""
    whole = home.whole()
    if pages is not None:
        for id in pages:
            home.pages.get(id)
        whole = _of_pages(whole, pages)
    ids = [photo.id for photo in whole.photos]
    ids += [
        side.picture for kit in whole.kits for paper in kit.papers for side in (paper.a, paper.b) if side.picture
    ]
    ids += [thing.picture for kit in whole.kits for thing in kit.things if thing.picture]
    pictures = dict[str, Path]()
    for id in dict.fromkeys(ids):
        try:
            pictures[id] = home.pictures.path(id, "original")
        except NotThere:  # told where it is taken in
            continue
    parcel.write(whole, pictures, out)


def _of_pages(whole: collection.Document, pages: Collection[str]) -> collection.Document:
    """Of a library what these pages are made of, and no settings."""
    chosen = [(id, page) for id, page in zip(whole.page_ids, whole.pages, strict=True) if id in pages]
    papers = {name for _, page in chosen for name in _named(written(page), "paper", "sheet")}
    cuttings = tuple(one for one in whole.cuttings if one.page in pages)
    papers |= {
        name.partition("#")[0] for one in cuttings for name in _named(written(one), "sheet", "paper", "of_paper")
    }
    for kit in whole.kits:  # a scrap comes with the paper that it was cut from, and with a paper its scraps
        papers |= {paper.scrap_of for paper in kit.papers if paper.id in papers and paper.scrap_of}
    papers |= {paper.id for kit in whole.kits for paper in kit.papers if paper.scrap_of in papers}
    alphabets = {name for _, page in chosen for name in _named(written(page), "alphabet")}
    stuck_on = {one.thing for _, page in chosen for one in things_of(page)}
    kits = [
        (
            id,
            replace(
                kit,
                papers=tuple(paper for paper in kit.papers if paper.id in papers),
                things=tuple(one for one in kit.things if one.id in stuck_on),
                alphabets=tuple(one for one in kit.alphabets if one.id in alphabets),
            ),
        )
        for id, kit in zip(whole.kit_ids, whole.kits, strict=True)
    ]
    faces = {name for _, page in chosen for name in _named(written(page), "face")}
    faces |= {one.face for _, kit in kits for one in kit.alphabets}
    hands = tuple(
        one for one in _hands(whole) if one.id in {n for _, page in chosen for n in _named(written(page), "hand")}
    )
    faces |= {one.face for one in hands}
    shown = {photo for _, page in chosen for photo in photos_of(page)}
    templates = tuple(one for one in whole.templates if one.id in shown)
    shown |= {cell.photo for one in templates for cell in one.template.cells if cell.photo}
    with_papers = [(id, kit) for id, kit in kits if kit.papers or kit.alphabets or kit.things]
    return collection.Document(
        kits=tuple(kit for _, kit in with_papers),
        kit_ids=tuple(id for id, _ in with_papers),
        photos=tuple(photo for photo in whole.photos if photo.id in shown),
        pages=tuple(page for _, page in chosen),
        page_ids=tuple(id for id, _ in chosen),
        cuttings=cuttings,
        templates=templates,
        faces=tuple(one for one in whole.faces if one.id in faces),
        hands=hands,
    )


def _hands(whole: collection.Document) -> tuple[Hand, ...]:
    """Those that its settings have, or that came without any."""
    return whole.hands or (whole.settings.hands if whole.settings else ())


def _named(document: Any, *keys: str) -> Iterable[str]:
    """Every text that stands under one of these keys."""
    if isinstance(document, list):
        for one in document:
            yield from _named(one, *keys)
    elif isinstance(document, dict):
        for key, value in document.items():
            if key in keys and isinstance(value, str):
                yield value
            yield from _named(value, *keys)


# ---- coming in -------------------------------------------------------------------------------------


def take_in(home: Household, file: Path) -> TakenIn:
    """Takes a parcel in, or what is in a backup and not here. Raises `FieldError`, `StoreError`,
    `pydantic.ValidationError`; nothing but photos is here then."""
    with tempfile.TemporaryDirectory() as aside:
        if not parcel.is_parcel(file):
            file = _of_backup(file, Path(aside))
        return _take_in(home, parcel.read(file, Path(aside)))


def _of_backup(file: Path, aside: Path) -> Path:
    """A backup as a parcel of everything."""
    backup.read(file, aside / "home")
    packed = aside / "everything.zip"
    with closing(Household(aside / "home", sweep=False)) as other, packed.open("wb") as out:
        pack(other, None, out)
    return packed


def _take_in(home: Household, came: parcel.Parcel) -> TakenIn:
    whole = came.library
    _sheets(home, came)
    photos, new, missing = _photos(home, came)
    with home.library.transaction():
        faces = take_in_faces(home, whole.faces)
        hands = _own_hands(home, whole, faces)
        whole = replace(
            whole,
            pages=tuple(_with(_with(page, "face", faces), "hand", hands) for page in whole.pages),
            kits=tuple(_with(kit, "face", faces) for kit in whole.kits),
        )
        templates = {one.id: _template(home, one, photos) for one in whole.templates}
        shown = {**photos, **templates}
        papers = _papers(home, whole)
        for id, kit in papers.kits:
            home.kits.add(kit, "brought along", id=id)
        pages, here = list[str](), 0
        for k, page in enumerate(whole.pages):
            plan = _with(collection.with_papers(page, papers.fresh), "photo", shown)
            id, is_new = _page(home, whole.page_ids[k] if k < len(whole.page_ids) else "", plan)
            pages.append(id)
            here += not is_new
            if is_new and k in whole.cut:
                cut = collection.with_papers(whole.cut[k], papers.fresh)
                home.cut_lists.add(_with(cut, "photo", shown), "brought in", id=f"{CUTTING_OF}{id}")
    brought = tuple(paper.name for _, kit in papers.kits for paper in kit.papers)
    missing += [
        f"{name}: the page names a paper that did not come along; choose another one"
        for name in sorted(_lacking(home, pages))
    ]
    return TakenIn(tuple(pages), here, papers.matched, brought, new, tuple(missing))


def _page(home: Household, id: str, plan: PagePlan) -> tuple[str, bool]:
    """A page under its own id; where another one has that by now, under a new one. Whether it is new."""
    there = {kept.id: kept for kept in (*home.pages.all(), *home.pages.away())}.get(id)
    if there is not None and there.body == plan:
        if there.deleted:
            home.pages.put_away(id, there.version, away=False)
        return id, False
    kept = home.pages.add(
        replace(plan, name=home.called(plan.name)), "brought in", id=None if there or not id else id
    )
    return kept.id, True


def _papers(home: Household, whole: collection.Document) -> _Matched:
    """The same paper by its id, else one that is like it and not taken yet, else it is brought along; alphabets and
    things too."""
    here = home.shelf().papers
    fresh, along, matched, taken = dict[str, str](), list[tuple[str, Kit]](), 0, set[str]()
    for kit_id, kit in zip(whole.kit_ids, whole.kits, strict=False):
        others = list[Paper]()
        for paper in kit.papers:
            like = next((one.id for one in here.values() if _alike(one, paper) and one.id not in taken), None)
            if paper.id in here and _alike(here[paper.id], paper):
                fresh[paper.id] = paper.id
            elif like is not None:
                fresh[paper.id] = like
            else:
                fresh[paper.id] = new_id("paper") if paper.id in here else paper.id
                others.append(paper)
                continue
            matched += 1
            taken.add(fresh[paper.id])
        here_are = home.shelf()
        alphabets = _others(kit.alphabets, here_are.alphabets, _looks_like, "alphabet", fresh)
        things = _others(kit.things, here_are.things, _is_like, "thing", fresh)
        if others or alphabets or things or not (kit.papers or kit.alphabets or kit.things):
            known = {kept.id for kept in (*home.kits.all(), *home.kits.away())}
            part = replace(kit, papers=tuple(others), alphabets=alphabets, things=things)
            along.append((new_id("kit") if kit_id in known else kit_id, part))
    renamed = tuple((id, collection.with_papers(kit, fresh)) for id, kit in along)
    kits = tuple((id, kit) for id, kit in renamed if kit.papers or kit.things or kit.alphabets)
    return _Matched(fresh, kits, matched)


def _others(
    came: Iterable[Named], here: Mapping[str, Named], alike: Callable[[Named, Named], bool], kind: str,
    fresh: dict[str, str],
) -> tuple[Named, ...]:  # fmt: skip
    """Those of a kit that are brought along; what each is called here goes into `fresh`. One is the same however many
    of it are left."""
    others = list[Named]()
    for one in came:
        like = next((known.id for known in here.values() if alike(known, one)), None)
        if one.id in here and alike(here[one.id], one):
            like = one.id
        fresh[one.id] = like or (new_id(kind) if one.id in here else one.id)
        if like is None:
            others.append(one)
    return tuple(others)


def _looks_like(one: Alphabet, other: Alphabet) -> bool:
    return one == replace(other, id=one.id, letters=one.letters, packs=one.packs, spoiled=one.spoiled)


def _is_like(one: Thing, other: Thing) -> bool:
    return one == replace(other, id=one.id, count=one.count, note=one.note)


def _alike(one: Paper, other: Paper) -> bool:
    """The same paper, however many sheets there are of it and wherever they were sorted."""
    same = replace(other, id=one.id, count=one.count, scrap_of=one.scrap_of, pile=one.pile, up=one.up)
    return one == same


def _photos(home: Household, came: parcel.Parcel) -> tuple[dict[str, str], int, list[str]]:
    """The photos by the ids they have here, how many are new, and which did not come."""
    found, new, missing = dict[str, str](), 0, list[str]()
    known = {kept.id for kept in home.roll.records.all()}
    for one in came.library.photos:
        file = came.pictures.get(one.id)
        if file is None:
            if one.id not in known:
                missing.append(f"{one.photo.name}: its picture did not come along; bring the photo in again")
            continue
        with file.open("rb") as data:
            kept, how, _ = home.roll.take_in(data, one.photo.file or f"{one.photo.name}{file.suffix}")
        found[one.id] = kept.id
        if how == "new":
            new += 1
            home.roll.write(kept.id, kept.version, replace(one.photo, name=kept.body.name), "brought in")
    return found, new, missing


def _sheets(home: Household, came: parcel.Parcel) -> None:
    """The pictures of photographed sheets, under the ids by which their papers name them."""
    from ulna.formats import pictures  # slow to import

    there = set(home.pictures.ids())
    for id, file in came.pictures.items():
        if not id.startswith("sheet-") or id in there:
            continue
        with file.open("rb") as data:
            arrived = home.pictures.arrive(data, file.stat().st_size)
        try:
            picture = home.darkroom.run(pictures.read_file, file.name, arrived, file.name)
            home.pictures.put(id, arrived, picture.suffix, picture.view, picture.thumb)
        finally:
            arrived.unlink(missing_ok=True)


def _own_hands(home: Household, whole: collection.Document, faces: Mapping[str, str]) -> dict[str, str]:
    """The hands of its pages by the ids they have here: one that is measured alike is used, another one added."""
    settings = home.settings()
    found, more = dict[str, str](), list[Hand]()
    for one in _hands(whole):
        hand = replace(one, face=faces.get(one.face, one.face))
        alike = next((own for own in settings.body.hands if own == replace(hand, id=own.id)), None)
        taken = {own.id for own in (*settings.body.hands, *more)}
        found[one.id] = alike.id if alike else new_id("hand") if one.id in taken else one.id
        if alike is None:
            more.append(replace(hand, id=found[one.id]))
    if more:
        hands = (*settings.body.hands, *more)[:MOST_HANDS]
        home.all_settings.write(
            settings.id, settings.version, replace(settings.body, hands=hands), "brought hands in"
        )
    return found


def _template(home: Household, one: collection.KeptTemplate, photos: Mapping[str, str]) -> str:
    template: Template = _with(one.template, "photo", photos)
    there = {kept.id: kept.body for kept in (*home.roll.templates.all(), *home.roll.templates.away())}
    if there.get(one.id) == template:
        return one.id
    return home.roll.templates.add(template, "brought in", id=None if one.id in there else one.id).id


def _with(value: Value, key: str, fresh: Mapping[str, str]) -> Value:
    """A value whose texts under a key are others."""

    def renamed(document: Any) -> Any:
        if isinstance(document, list):
            return [renamed(one) for one in document]
        if not isinstance(document, dict):
            return document
        return {
            name: fresh.get(one, one) if name == key and isinstance(one, str) else renamed(one)
            for name, one in document.items()
        }

    return read_value(type(value), renamed(written(value)))


def _lacking(home: Household, pages: Collection[str]) -> set[str]:
    """The names of pages that speak of a paper which is not here."""
    here = home.shelf().papers
    bodies = [home.pages.get(id).body for id in pages]
    return {
        page.name for page in bodies if any(name not in here for name in _named(written(page), "paper", "sheet"))
    }
