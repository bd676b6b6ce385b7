"""Requests generated from the published description of the API, against documents that are really there.

Ids in addresses and in documents are, most of the time, those of the demo household: its kits, pages, photos, papers.
Every answer must be one that the description knows, and none a fault of the server.
"""

from __future__ import annotations

import random
import shutil
from collections import Counter
from contextlib import closing
from pathlib import Path
from typing import Any

import schemathesis
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, Phase, given, settings

from tests.api.client import client_of
from ulna.household.home import Household

LONG = {"begin_search", "add_demo_kit"}
"""Operations that go on after their answer: a search would take the time of all others."""


class Real:
    """The ids of a household, put in place of generated ones."""

    def __init__(self, home: Household, seed: int) -> None:
        self.rng = random.Random(seed)
        shelf = home.shelf()
        pages = home.pages.all()
        self.ids = {
            "kits": [kept.id for kept in home.kits.all()],
            "pages": [kept.id for kept in pages],
            "photos": [kept.id for kept in home.roll.records.all()],
            "pictures": [kept.id for kept in home.roll.records.all()],
            "templates": [kept.id for kept in home.roll.templates.all()],
            "variants": [kept.id for kept in home.variants.all()] or ["variant-none"],
        }
        self.words = {
            "paper": sorted(shelf.papers),
            "photo": self.ids["photos"],
            "page": self.ids["pages"],
            "part": sorted({part.id for kept in pages for part in kept.body.parts}),
            "of": sorted({part.id for kept in pages for part in kept.body.parts}),
            "piece": [p.id for kept in pages for p in home.evaluated(kept.body, kept.id).pieces],
            "version": [0, 1, 2, 3],
        }

    def path(self, path: str, given: dict[str, Any]) -> dict[str, Any]:
        kind = path.split("/")[2]
        if "id" in given and kind in self.ids and self.ids[kind] and self.rng.random() < 0.9:
            return given | {"id": self.rng.choice(self.ids[kind])}
        return given

    def body(self, value: Any) -> Any:
        """The same with real words in most places that want one."""
        if isinstance(value, list):
            return [self.body(one) for one in value]
        if not isinstance(value, dict):
            return value
        return {
            key: self.rng.choice(self.words[key])
            if isinstance(one, str | int) and self.words.get(key) and self.rng.random() < 0.7
            else self.body(one)
            for key, one in value.items()
        }


def run(demo: Path, folder: Path, examples: int, seed: int = 1) -> tuple[Counter[int], list[str]]:
    """So many examples of each operation; how often each status was answered, and what was wrong."""
    statuses, wrong = Counter[int](), list[str]()
    shutil.copytree(demo, folder)
    with client_of(folder, raises=False) as api:
        api.headers["origin"] = "http://localhost"
        home: Household = api.app.state.household  # type: ignore[attr-defined]
        schema = schemathesis.openapi.from_dict(api.get("/api/openapi.json").json())
        real = Real(home, seed)
        for result in schema.get_all_operations():
            operation = result.ok()
            if operation.definition.raw.get("operationId") in LONG:
                continue
            _ask(api, operation, real, examples, statuses, wrong)
        for path in ("kits", "pages", "photos", "templates", "book", "together", "prints", "settings"):
            if api.get(f"/api/{path}").status_code != 200:
                wrong.append(f"afterwards /api/{path} is {api.get(f'/api/{path}').text[:200]}")
        wrong += [f"stored and not readable: {one}" for one in home.aside()]
    return statuses, wrong


def _ask(
    api: TestClient, operation: Any, real: Real, examples: int, statuses: Counter[int], wrong: list[str]
) -> None:
    known = {str(status) for status in operation.definition.raw["responses"]}

    @settings(
        max_examples=examples,
        database=None,
        deadline=None,
        derandomize=True,
        phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(case=operation.as_strategy())
    def ask(case: Any) -> None:
        path = operation.path
        for name, value in real.path(operation.path, dict(case.path_parameters or {})).items():
            path = path.replace(
                f"{{{name}}}", str(value).replace("/", "%2F").replace("?", "%3F").replace("#", "%23")
            )
        sent: dict[str, Any] = {"params": {k: v for k, v in (case.query or {}).items() if v is not None}}
        if case.media_type and "multipart" in case.media_type:
            sent["files"] = {"file": ("x.bin", repr(case.body).encode())}
        elif case.body is not None and type(case.body).__name__ != "NotSet":
            sent["json"] = real.body(case.body)
        try:
            answer = api.request(case.method, path, **sent)
        except (UnicodeError, ValueError):  # what no client can send
            return
        statuses[answer.status_code] += 1
        there = str(answer.status_code) in known or f"{answer.status_code // 100}XX" in known
        if answer.status_code == 500 or not there:
            wrong.append(f"{case.method} {path}: {answer.status_code} {answer.text[:160]} for {str(sent)[:600]}")

    ask()


def opened(folder: Path) -> None:
    """Opens what the requests left, once more."""
    with closing(Household(folder)) as home:
        assert home.aside() == []
