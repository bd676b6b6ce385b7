"""The application over a household, asked without a network."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path

from fastapi.testclient import TestClient

from ulna.api.app import create_app
from ulna.api.door import Door
from ulna.household.home import Household
from ulna.household.outside import Outside


@contextmanager
def client_of(
    home: Path, outside: Outside = Outside(), door: Door = Door(), raises: bool = True
) -> Iterator[TestClient]:
    """A client that raises what the application did not think of, or gets it as a 500."""
    with closing(Household(home, outside)) as household:
        app = create_app(household, door)
        with TestClient(app, base_url="http://localhost", raise_server_exceptions=raises) as client:
            yield client
