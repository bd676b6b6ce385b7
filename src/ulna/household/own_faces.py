"""A household's own faces: fonts that came as a file, or along with pages that are set in them."""

from __future__ import annotations

from base64 import b64decode, b64encode
from collections.abc import Sequence
from typing import TYPE_CHECKING

from ulna.core.words.faces import OwnFace
from ulna.formats.collection import KeptFace
from ulna.formats.faces.taking import BadFont, taken_in
from ulna.store.ids import new_id
from ulna.store.states import Kept

if TYPE_CHECKING:
    from ulna.household.home import Household


def add_face(home: Household, name: str, data: bytes) -> Kept[OwnFace]:
    """Takes a font file in. Raises `BadFont`."""
    return home.own_faces.add(OwnFace(name, _written(data)), f"took in {name}", id=new_id("face"))


def take_in_faces(home: Household, faces: Sequence[KeptFace]) -> dict[str, str]:
    """Faces that came with pages, by the ids they have here; read as carefully as a file. A font that is here already
    is used; one that is none is left out, and the pages say that their face is gone."""
    found = dict[str, str]()
    known = {kept.id for kept in (*home.own_faces.all(), *home.own_faces.away())}
    here = {kept.body.font: kept.id for kept in home.own_faces.all()}
    for one in faces:
        id = here.get(one.face.font)
        if id is None:
            try:
                font = _written(b64decode(one.face.font, validate=True))
            except (BadFont, ValueError):
                continue
            id = here.get(font)
        if id is None:
            fresh = new_id("face") if one.id in known else one.id
            id = home.own_faces.add(OwnFace(one.face.name, font), "brought in", id=fresh).id
            here[font] = id
        found[one.id] = id
    return found


def _written(data: bytes) -> str:
    return b64encode(taken_in(data)).decode()
