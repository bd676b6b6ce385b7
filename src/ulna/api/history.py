"""Routes that every kind of document has alike: a step back or forward, out of sight and back."""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from fastapi import APIRouter
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.wire import Step
from ulna.household.documents import Documents
from ulna.household.home import Household
from ulna.store.states import Kept

Value = TypeVar("Value")


def add_history(
    router: APIRouter,
    kind: str,
    of: Callable[[Household], Documents[Value]],
    answer: type[BaseModel],
    out: Callable[[Kept[Value], Household], BaseModel],
    address: str = "",
) -> None:
    """Adds undo, redo, away and back for documents of a kind, below their address; `out` makes the `answer`."""

    def undo(id: str, step: Step, home: AtHome) -> BaseModel:
        return out(of(home).undo(id, step.version), home)

    def redo(id: str, step: Step, home: AtHome) -> BaseModel:
        return out(of(home).redo(id, step.version), home)

    def put_away(id: str, step: Step, home: AtHome) -> BaseModel:
        return out(of(home).put_away(id, step.version), home)

    def bring_back(id: str, step: Step, home: AtHome) -> BaseModel:
        return out(of(home).put_away(id, step.version, away=False), home)

    for act, step in ((undo, "undo"), (redo, "redo"), (put_away, "away"), (bring_back, "back")):
        name = f"{act.__name__}_{kind}"
        router.add_api_route(
            f"/{address or f'{kind}s'}/{{id}}/{step}", act, methods=["POST"], response_model=answer, name=name
        )
