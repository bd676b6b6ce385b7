"""What is looked for on a page: each check with its name, why it matters, and the codes of what it finds.

They stand in the order of harm: first what cannot be made or glued, then what spoils paper or a photo, taste last.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ulna.core.findings import Finding, Severity


@dataclass(frozen=True, slots=True)
class Check:
    """`why` it matters, in a sentence that a beginner understands."""

    id: str
    name: str
    why: str
    codes: tuple[str, ...]


CHECKS = (
    Check(
        "fits", "Fits", "What hangs over the page is cut off, or keeps it out of its protector.",
        ("off-page", "overhang", "does-not-fit", "place-loop", "place-gone", "near-trim", "as-it-is"),
    ),
    Check(
        "enough", "Enough of it", "What a kit has cannot be bought again once a page is begun.",
        ("things", "tape-short", "letters", "letters-short", "thing-gone", "alphabet-gone", "face-gone", "no-letter",
         "no-card", "no-thing", "no-paper", "sheets-short"),
    ),
    Check(
        "gutter",
        "Gutter and holes", "A cut through a face or a word at the fold is the first thing one sees.",
        ("face-gutter", "binding", "parted", "hole", "face-cut"),
    ),
    Check(
        "orientation", "Right way up", "A paper or thing with one way up looks like a mistake on its side.",
        ("on-side", "thing-way"),
    ),
    Check(
        "photo-safe", "Photo-safe", "Acid in glue or ink that touches a photo turns it yellow in a few years.",
        ("photo-safe",),
    ),
    Check(
        "bulk", "Bulk", "A page that is too thick bends its neighbours and the book does not close.",
        ("bulk", "notebook-bulk"),
    ),
    Check(
        "readable", "Readable", "A title or story that cannot be read might as well not be there.",
        ("title-lost", "letters-covered", "words-busy", "words-too-long", "title-long", "small-word",
         "printed-words", "card-lines", "strip-crossed"),
    ),
    Check(
        "things-on-photos", "Things on photos", "A thing belongs on the quiet part of a photo: never on whom it shows.",
        ("on-face", "on-focal", "on-lively"),
    ),
    Check(
        "stands-out", "Photo stands out",
        "Where the edge of a photo is as light as the paper beside it, the eye does not find the photo.",
        ("stands-out",),
    ),
    Check(
        "layers", "Layers stand apart", "Two lively papers alike in lightness run together: no edge is seen between.",
        ("run-together", "border", "alike"),
    ),
    Check(
        "touch", "Touch, or stay clear",
        "Nearly touching looks like an accident; an overlap or a clear gap looks meant.",
        ("near-touch", "scant-overlap", "juts-out", "sliver", "seam", "uncovered"),
    ),
    Check(
        "even", "Centred, level, even", "The eye sees a sixteenth of an inch between what is nearly in line.",
        ("nearly-centred", "nearly-aligned", "nearly-even"),
    ),
    Check(
        "dominance", "One photo leads", "Where photos are nearly of one size, the eye does not know where to begin.",
        ("dominance",),
    ),
    Check(
        "words", "A place for words", "A page is made for its story; what has no place is not written.",
        ("no-place", "title-slight", "date", "no-date"),
    ),
    Check(
        "weight", "Weight", "A page that is heavy on one side seems to tip over.", ("weight", "round-one-side"),
    ),
    Check(
        "margins", "Margins", "A margin narrower than the gaps inside makes photos look as if they slid off.",
        ("margins",),
    ),
    Check(
        "direction", "Direction", "Lines that run against those in the photo pull the eye away from it.",
        ("direction", "directions"),
    ),
    Check(
        "triangle", "Visual triangle", "Three places round the photo lead the eye about it and back to it.",
        ("triangle", "triangle-page"),
    ),
    Check(
        "colour-repeats", "Colour repeats", "A colour that is there once looks lost; three times it belongs.",
        ("colour-once", "colour-page", "style"),
    ),
    Check(
        "breathing", "Breathing space", "Where everything is covered, nothing is looked at first.", ("crowded",),
    ),
)  # fmt: skip
"""Codes that none of them has are told as they are: what a part cannot be made of, what went to a mark."""

_RANK = {code: k for k, check in enumerate(CHECKS) for code in check.codes}
_BY_CODE = {code: check for check in CHECKS for code in check.codes}
_SEVERITY: dict[Severity, int] = {"stop": 0, "warn": 1, "note": 2}


def check_of(code: str) -> Check | None:
    """The check that finds what has that code; None for what is told while a part is made."""
    return _BY_CODE.get(code)


def by_harm(found: Sequence[Finding]) -> list[Finding]:
    """What is graver first: what cannot be made, what will likely disappoint, what is good to know; each in the order
    of the checks."""
    return sorted(found, key=lambda one: (_SEVERITY[one.severity], _RANK.get(one.code, -1)))
