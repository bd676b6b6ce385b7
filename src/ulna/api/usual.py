"""Routes: how everything begins, in the person's unit."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.core.kit.usual import Offered, Usual, offered, usual
from ulna.core.parts.beginning import Beginning
from ulna.core.rules import Rules, settle
from ulna.formats.documents import Doc, PageSize
from ulna.household.home import Household

router = APIRouter(prefix="/api", tags=["usual"])


class OnPage(BaseModel):
    """One page of a format."""

    width: PageSize
    height: PageSize


@router.get("/usual")
def get_usual(home: AtHome) -> Doc[Usual]:
    """What is usual where nothing is said yet."""
    return usual(home.ruler().unit, _rules(home))


@router.post("/menu")
def list_menu(asked: OnPage, home: AtHome) -> list[Doc[Offered]]:
    """What can be added to a page of that size, each as it begins; who takes one gives it an id."""
    return offered(Beginning(home.ruler().unit, asked.width, asked.height, _rules(home)))


def _rules(home: Household) -> Rules:
    return settle(Rules(), (), home.settings().body.rules).rules
