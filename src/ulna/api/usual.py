"""Routes: how everything begins, in the person's unit."""

from __future__ import annotations

from typing import Literal

from fastapi import APIRouter
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.core.kit.usual import Offered, Usual, offered, usual
from ulna.core.measure import Unit
from ulna.core.parts.beginning import Beginning
from ulna.core.rules import Rules, settle
from ulna.formats.documents import Doc, PageSize
from ulna.household.home import Household

router = APIRouter(prefix="/api", tags=["usual"])


class OnPage(BaseModel):
    """One page of a format; `unit` where it is not the household's."""

    width: PageSize
    height: PageSize
    unit: Literal["in", "mm"] | None = None


@router.get("/usual")
def get_usual(home: AtHome, unit: Literal["in", "mm"] | None = None) -> Doc[Usual]:
    """What is usual where nothing is said yet; in the household's unit where none is named."""
    return usual(_unit(home, unit), _rules(home))


@router.post("/menu")
def list_menu(asked: OnPage, home: AtHome) -> list[Doc[Offered]]:
    """What can be added to a page of that size, each as it begins; who takes one gives it an id."""
    return offered(Beginning(_unit(home, asked.unit), asked.width, asked.height, _rules(home)))


def _unit(home: Household, unit: Literal["in", "mm"] | None) -> Unit:
    return home.ruler(Rules(unit=unit)).unit


def _rules(home: Household) -> Rules:
    return settle(Rules(), (), home.settings().body.rules).rules
