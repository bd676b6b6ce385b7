"""The shapes that documents have had: a number for each kind, raised whenever what is written of it changes, and how a
document of an earlier shape becomes one of the next.

Number 1 is everything up to 0.3 and the pages of openings, quarters and named rests after it; what differs among those
is told apart by `formats.reading`. A number is raised together with a migration of the library, so that an older Ulna
refuses the library as a whole and does not read half of it.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

FORMS: Mapping[str, int] = {
    "kit": 6, "template": 2, "page": 5, "variant": 5, "settings": 4, "cutting": 3, "times": 2, "finished": 2,
}  # fmt: skip
"""Kinds that are beyond 1."""


def _gut_among_the_rules(body: dict[str, Any]) -> dict[str, Any]:
    """Hidden middles were the one house rule there was."""
    gut = body.pop("gut", None)
    return body if gut is None else body | {"rules": {"gut": gut}}


STEPS: Mapping[tuple[str, int], Callable[[dict[str, Any]], dict[str, Any]]] = {
    ("kit", 1): lambda body: body,  # papers had no pile and no side up: as they are without being sorted
    ("kit", 2): lambda body: body,  # there were no alphabets in it
    ("kit", 3): lambda body: body,  # things had a name and a count, and no size
    ("kit", 4): lambda body: body,  # it had no rules of its own
    ("kit", 5): lambda body: body,  # no rule named a unit or a school of strips
    ("page", 4): lambda body: body,  # nor did any of a page, and a spread named no notebook
    ("variant", 4): lambda body: body,
    ("settings", 3): lambda body: body,
    ("cutting", 2): lambda body: body,  # no machine had cut a sheet
    ("times", 1): lambda body: body,  # cuts were not timed one by one
    ("finished", 1): lambda body: body,  # no time for cutting was expected
    ("page", 1): lambda body: body,  # no part was a title
    ("page", 2): lambda body: body,  # no part was a thing
    ("page", 3): lambda body: body,  # no edge was inked, nothing put aside, no rule its own
    ("variant", 1): lambda body: body,
    ("variant", 2): lambda body: body,
    ("variant", 3): lambda body: body,
    ("settings", 2): _gut_among_the_rules,
    ("cutting", 1): lambda body: (
        body | {"ruler": _gut_among_the_rules(dict(body["ruler"]))} if "ruler" in body else body
    ),
    ("settings", 1): lambda body: body,  # no hand was measured
    ("template", 1): lambda body: body,  # each photo took up one place
}
"""For a kind and a number, what makes its document one of the next number."""


def form_of(kind: str) -> int:
    """The number of the shape in which a kind is written now."""
    return FORMS.get(kind, 1)


def raised(kind: str, form: int, body: dict[str, Any]) -> dict[str, Any]:
    """A document of an earlier shape in the one of now. Raises `ValueError` for one of a later shape."""
    if form > form_of(kind):
        raise ValueError(f"it was written by a later Ulna, in shape {form} of a {kind}")
    for number in range(form, form_of(kind)):
        body = STEPS[kind, number](body)
    return body
