"""The kit club: what it offers, a kit taken in with undo, a later correction offered and never forced."""

from __future__ import annotations

import hashlib
import io
from collections.abc import Collection, Set
from dataclasses import dataclass, replace

from ulna.core.errors import FieldError
from ulna.core.kit import from_club
from ulna.core.kit.from_club import Change, Origin
from ulna.core.paper.shelf import Kit
from ulna.formats import collection
from ulna.formats.kit_feed import Feed, Offer
from ulna.household.home import Household
from ulna.machines.kit_club.line import Line
from ulna.store.errors import NotThere
from ulna.store.states import Kept

OF = "origin-"


@dataclass(frozen=True, slots=True)
class Incoming:
    """A kit as it would come in: under the ids it would have here, what of it is here already by the name of the kit in
    which it is, and the kit that was taken in from it before."""

    offer: Offer
    kit: Kit
    alike: dict[str, str]
    here: Kept[Kit] | None


def line(home: Household) -> Line:
    """Raises `NoAnswer` where none is set up."""
    if not home.outside.club:
        raise Line("").absent()
    return Line(home.outside.club)


def feed(home: Household) -> Feed:
    """Raises `NoAnswer`, `Refused`, `Nonsense`."""
    return line(home).feed()


def origin(home: Household, code: str) -> Origin | None:
    """How a kit of the club was taken in; None where it was not, or was put away since."""
    return next((one.body for one in home.origins.all() if one.body.code == code and _kit(home, one.body)), None)


def _kit(home: Household, came: Origin) -> Kept[Kit] | None:
    return next((kept for kept in home.kits.all() if kept.id == came.kit), None)


def incoming(home: Household, code: str) -> Incoming:
    """What would come in. Raises `NoAnswer`, `Refused`, `Nonsense`."""
    offer = line(home).offer(code)
    kit, came = _named_here(offer), origin(home, code)
    here = _kit(home, came) if came else None
    others = {kept.id: kept.body for kept in home.kits.all() if here is None or kept.id != here.id}
    return Incoming(offer, kit, from_club.alike(kit, others), here)


def _named_here(offer: Offer) -> Kit:
    """Under ids that are the same whenever the same kit comes, and nobody else's."""
    fresh = {id: f"club-{_short(offer.code, id)}" for id in from_club.items(offer.kit)}
    if len(set(fresh.values())) < sum(map(len, (offer.kit.papers, offer.kit.things, offer.kit.alphabets))):
        raise FieldError("kit", offer.code, "two things in it have one id", "tell the club")
    return replace(collection.with_papers(offer.kit, fresh), kind="kit")


def _short(code: str, id: str) -> str:
    return hashlib.sha256(f"{code} {id}".encode()).hexdigest()[:12]


def take(home: Household, code: str, chosen: Set[str]) -> tuple[str, list[str]]:
    """Takes a kit in, or these of its things; the kit's id, and those of the sketches that came with it. Raises
    `NoAnswer`, `Refused`, `Nonsense`, and `FieldError` where it is here already or nothing is chosen."""
    found = incoming(home, code)
    if found.here is not None:
        raise FieldError("kit", found.kit.name, "it is here already", "look at its correction instead")
    if not chosen & from_club.items(found.kit).keys():
        raise FieldError("kit", found.kit.name, "nothing of it is chosen", "choose what is in your box")
    whole = _with_pictures(home, found.offer, found.kit)
    kit = from_club.only(whole, chosen)
    with home.library.transaction():
        id = home.kits.add(kit, "took it in from the club").id
        home.origins.add(Origin(code, found.offer.edition, id, whole), "took a kit in", id=f"{OF}{id}")
        sketches = [home.sketches.add(one, "came with a kit").id for one in found.offer.sketches]
    return id, sketches


def give_back(home: Household, kit: str, sketches: Collection[str]) -> None:
    """The undo of taking in: the kit and its sketches are put away. Raises `NotThere`."""
    with home.library.transaction():
        for documents, ids in ((home.kits, [kit]), (home.sketches, list(sketches))):
            for id in ids:
                documents.put_away(id, documents.get(id).version, away=True)


def _with_pictures(home: Household, offer: Offer, kit: Kit) -> Kit:
    """Its pictures are fetched and kept; one that does not come is left out, and the pattern is drawn."""
    wanted = [name for name in dict.fromkeys(from_club.every_picture(kit)) if name in offer.pictures]
    found = dict[str, str]()
    for name in wanted:
        data = line(home).picture(offer.pictures[name])
        found[name] = home.add_sheet_picture(io.BytesIO(data), f"{name}.png")
    return from_club.pictured(kit, found)


@dataclass(frozen=True, slots=True)
class Correction:
    """A later edition of a kit that is here, and what it would change."""

    code: str
    kit: str
    name: str
    edition: int
    changes: tuple[Change, ...]


def corrections(home: Household, there: Feed | None = None) -> list[Correction]:
    """Of every kit that was taken in and has a later edition. Raises `NoAnswer`, `Refused`, `Nonsense`."""
    there = there or feed(home)
    newest = {entry.code: entry.edition for entry in there.kits}
    found = list[Correction]()
    for kept in home.origins.all():
        came, mine = kept.body, _kit(home, kept.body)
        if mine is None or newest.get(came.code, 0) <= came.edition:
            continue
        offer = line(home).offer(came.code)
        told = from_club.changes(came.as_came, mine.body, _named_here(offer), home.ruler())
        found.append(Correction(came.code, mine.id, mine.body.name, offer.edition, tuple(told)))
    return found


def correct(home: Household, code: str, chosen: Collection[str]) -> Kept[Kit]:
    """The kit with the chosen changes; the others are not offered again. Raises `NotThere`, `NoAnswer`, `Refused`,
    `Nonsense`."""
    came = origin(home, code)
    mine = _kit(home, came) if came else None
    if came is None or mine is None:
        raise NotThere("kit", code)
    offer = line(home).offer(code)
    now = _with_pictures(home, offer, _named_here(offer))
    kit = from_club.corrected(came.as_came, mine.body, now, chosen)
    with home.library.transaction():
        changed = home.kits.write(mine.id, mine.version, kit, f"took the club’s correction {offer.edition}")
        kept = home.origins.get(f"{OF}{mine.id}")
        home.origins.write(kept.id, kept.version, Origin(code, offer.edition, mine.id, now), "took a correction")
    return changed
