"""Routes: how everything begins, in the person's unit and by the rules that hold where it begins."""

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


class Here(BaseModel):
    """The rules that hold for a page; the household's where none are said."""

    rules: Doc[Rules] | None = None


class OnPage(Here):
    """One page of a format."""

    width: PageSize
    height: PageSize


@router.post("/usual")
def get_usual(asked: Here, home: AtHome) -> Doc[Usual]:
    """What is usual where nothing is said yet."""
    rules = _rules(asked, home)
    return usual(home.ruler(rules).unit, rules)


@router.post("/menu")
def list_menu(asked: OnPage, home: AtHome) -> list[Doc[Offered]]:
    """What can be added to a page of that size, each as it begins; who takes one gives it an id."""
    rules = _rules(asked, home)
    return offered(Beginning(home.ruler(rules).unit, asked.width, asked.height, rules))


def _rules(asked: Here, home: Household) -> Rules:
    return settle(asked.rules or Rules(), (), home.settings().body.rules).rules
