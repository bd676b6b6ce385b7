"""Routes: what is left of the alphabets on the shelf, as a page finds them."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.wire import Saved, saved
from ulna.core.words.alphabets import says, there
from ulna.household import letters

router = APIRouter(prefix="/api", tags=["letters"])


class LetterOut(BaseModel):
    character: str
    had: int
    left: int


class LettersOut(BaseModel):
    """An alphabet: of each character how many there were and how many no other page has planned for; in words what has
    run out."""

    alphabet: str
    name: str
    letters: list[LetterOut]
    says: str


@router.post("/alphabets/{id}/pack")
def add_pack(id: str, home: AtHome) -> Saved:
    """One pack more of an alphabet is on the shelf; the kit's undo takes it back. Raises `NotOnShelf`."""
    return saved(letters.add_pack(home, id))


@router.get("/letters")
def list_letters(home: AtHome, page: str | None = None) -> list[LettersOut]:
    left_of_all = letters.left_by(home, letters.elsewhere(home, page))
    found = []
    for id, alphabet in home.shelf().alphabets.items():
        had, left = there(alphabet), left_of_all[id]
        gone = [one for one in sorted(had) if left.get(one, 0) <= 0]
        found.append(
            LettersOut(
                alphabet=id,
                name=alphabet.name,
                letters=[
                    LetterOut(character=one, had=had[one], left=max(0, left.get(one, 0))) for one in sorted(had)
                ],
                says=says(left, gone),
            )
        )
    return found
