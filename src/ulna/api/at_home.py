"""The household that a request is for."""

from __future__ import annotations

from typing import Annotated

from fastapi import Depends, Request

from ulna.household.home import Household


def _household(request: Request) -> Household:
    home: Household = request.app.state.household
    return home


AtHome = Annotated[Household, Depends(_household)]
