"""House rules: where people who are good at this differ, what this household, a kit or a page holds to.

What a page says wins over its kit, and the kit over the household; where none of them says anything the usual holds.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, fields, replace
from typing import Literal

From = Literal["page", "kit", "house", "usual"]
GutRule = Literal["always", "when it saves a sheet", "never"]
"""When a piece whose middle is hidden is gutted, where nothing is said of it."""


@dataclass(frozen=True, slots=True)
class Rules:
    """What is held to; None where nothing is said."""

    unit: Literal["measures", "in", "mm"] | None = None
    cutting: Literal["exact", "loose"] | None = None
    gut: GutRule | None = None
    strips: Literal["exact", "long"] | None = None
    paper: Literal["kit", "stash"] | None = None
    photo_safe: Literal["everywhere", "touching", "no"] | None = None
    first: Literal["photos", "title"] | None = None
    words: Literal["after", "before"] | None = None
    balance: Literal["free", "symmetrical"] | None = None
    lift: Literal["foam", "flat"] | None = None
    rims: Literal["none", "white"] | None = None
    centring: Literal["ruler", "eye"] | None = None
    edges: Literal["clean", "inked"] | None = None
    cutout_rims: Literal["kept", "removed"] | None = None
    glued: Literal["down", "loose"] | None = None
    white_space: Literal["left", "filled"] | None = None
    writing: Literal["hand", "typed"] | None = None
    theme: Literal["followed", "free"] | None = None
    stories: Literal["one", "series"] | None = None


@dataclass(frozen=True, slots=True)
class Option:
    """A value of a rule, as it is chosen, and what it changes."""

    value: str
    name: str
    changes: str


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule by its field, the question it answers, and its options; the first one is the usual. What the household
    says elsewhere, only a kit or a page says here: that is not `of_house`."""

    id: str
    asks: str
    options: tuple[Option, ...]
    of_house: bool = True

    @property
    def usual(self) -> str:
        return self.options[0].value


RULES = (
    Rule("unit", "In which unit?", (
        Option("measures", "as the household", "Lengths are told as Measures has them."),
        Option("in", "inches", "Lengths are told in inches, whatever Measures has."),
        Option("mm", "millimetres", "Lengths are told in millimetres, whatever Measures has."),
    ), of_house=False),
    Rule("cutting", "How exactly is it cut?", (
        Option("exact", "exact, by trimmer", "What is off by a sixteenth is told."),
        Option("loose", "loose, by scissors", "Nothing tighter than an eighth of an inch is asked or told."),
    )),
    Rule("gut", "Are hidden middles cut out?", (
        Option("when it saves a sheet", "when it saves a sheet", "A mat is gutted where a whole sheet is saved by it."),
        Option("always", "always", "Every mat that is worth the knife gives its middle back."),
        Option("never", "never, mats stay solid", "No middle is cut out unless a piece says so."),
    )),
    Rule("strips", "How long are strips cut?", (
        Option("exact", "exactly", "A strip is cut as long as it is seen."),
        Option("long", "longer, and trimmed", "A strip is cut 1/4 in longer where its paper is as long, and trimmed."),
    )),
    Rule("paper", "Which paper may be taken?", (
        Option("stash", "kit and stash", "Papers, letters and things of every kit are proposed."),
        Option("kit", "this kit only", "Nothing is proposed but what came in the kits that the page uses already."),
    )),
    Rule("photo_safe", "Where must it be photo-safe?", (
        Option("touching", "where it touches a photo", "What harms photos is told where it lies straight on one."),
        Option("everywhere", "everywhere", "What harms photos is told wherever it lies on the page."),
        Option("no", "nowhere", "Nothing is told of it."),
    )),
    Rule("first", "What goes down first?", (
        Option("photos", "the photos", "Where either could be, photos are glued before the title."),
        Option("title", "the title", "Where either could be, the title is glued before the photos."),
    )),
    Rule("words", "When are the words written?", (
        Option("after", "after decorating", "Words are written when all else is glued."),
        Option("before", "before decorating", "Words are written before things and clusters are glued."),
    )),
    Rule("balance", "How is a page balanced?", (
        Option("free", "within a third", "A side that weighs half as much again as the other is told."),
        Option("symmetrical", "alike on both sides", "A side that weighs a tenth more than the other is told."),
    )),
    Rule("lift", "Foam or flat?", (
        Option("foam", "foam where it is planned", "Things stand off the page as they are planned."),
        Option("flat", "flat", "Everything is glued flat, whatever was planned; foam is not counted."),
    )),
    Rule("rims", "Do photos have white rims?", (
        Option("none", "none", "A new photo is printed to its edge."),
        Option("white", "a white rim", "A new photo is printed with a rim of an eighth of an inch."),
    )),
    Rule("centring", "How is a thing centred?", (
        Option("ruler", "by ruler", "What is nearly in the middle is told."),
        Option("eye", "by eye", "What is nearly in the middle is good as it is."),
    )),
    Rule("edges", "Are edges inked?", (
        Option("clean", "clean", "Only the edges that the page names are inked."),
        Option("inked", "inked", "All edges of paper that are seen are inked before anything is glued."),
    )),
    Rule("cutout_rims", "The white rim of a cut-out?", (
        Option("kept", "kept", "A motif is cut with its rim."),
        Option("removed", "cut off", "A motif is cut along its outline."),
    )),
    Rule("glued", "Are edges glued down?", (
        Option("down", "glued down", "Pieces are glued to an eighth of an inch inside their edges."),
        Option("loose", "left loose", "Pieces are glued in their middle; their edges stay free for tucking."),
    )),
    Rule("white_space", "White space?", (
        Option("left", "left", "A page that is covered by more than 85 % is told."),
        Option("filled", "filled", "A full page is good as it is."),
    )),
    Rule("writing", "How are words put down?", (
        Option("hand", "by hand", "Words are set in the household's first hand; a new date is stamped."),
        Option("typed", "typed", "Words are set in its first hand that is no pen; a new date is printed."),
    )),
    Rule("theme", "Is the theme of the kit followed?", (
        Option("followed", "followed", "Clusters keep to one style, and a thing of another one is told."),
        Option("free", "not followed", "Styles may be mixed, in proposals too."),
    )),
    Rule("stories", "Does a page tell one story?", (
        Option("one", "one story a page", "A page without a place for words is told."),
        Option("series", "a series", "Words may stand on another page of the series; their place is not asked for."),
    )),
)  # fmt: skip

USUAL = Rules(**{rule.id: rule.usual for rule in RULES})  # type: ignore[arg-type]


@dataclass(frozen=True, slots=True)
class Decided:
    """A rule as it holds for a page, and who said so."""

    rule: str
    value: str
    by: From


@dataclass(frozen=True, slots=True)
class Settled:
    """All rules as they hold for a page: none of `rules` is None."""

    rules: Rules = USUAL
    decided: tuple[Decided, ...] = field(default=())


def settle(page: Rules, kits: Sequence[Rules], house: Rules) -> Settled:
    """The nearest that says something wins: the page, then its kits in their order, the household, the usual."""
    said: list[tuple[From, Rules]] = [
        ("page", page),
        *(("kit", kit) for kit in kits),
        ("house", house),
        ("usual", USUAL),
    ]
    rules, decided = USUAL, list[Decided]()
    for one in fields(Rules):
        by, value = next((by, value) for by, of in said if (value := getattr(of, one.name)) is not None)
        rules = replace(rules, **{one.name: value})
        decided.append(Decided(one.name, value, by))
    return Settled(rules, tuple(decided))
