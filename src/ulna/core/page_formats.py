"""The formats of a page: one page or two side by side with the gutter between them.

0        W        2W
┌────────┬────────┐ 0
│  left  │ right  │
└────────┴────────┘ H
      gutter at W
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.ranges import Gap, PageSize, Whole

FormatName = Literal["12x12", "letter-upright", "letter-lying", "notebook", "notebook-pocket", "own"]
PageName = Literal["left", "right", "spread"]


@dataclass(frozen=True, slots=True)
class PageFormat:
    """`width` × `height` is one page; `pages` is 1 or 2; `kind` names the size it was chosen by.

    `binding` is the strip along the binding side, the gutter of a spread and the left edge of a single page, that
    is to be kept clear: 1/2 in for punched pages. `allowance` is how much larger than the page its paper is cut at
    the open sides, to be trimmed after gluing: 1/8 in for a notebook, or nothing.
    """

    kind: FormatName
    width: PageSize
    height: PageSize
    pages: Annotated[int, Whole(1, 2)] = 1
    binding: Gap = ZERO
    allowance: Gap = ZERO

    @property
    def strips(self) -> tuple[Rect, ...]:
        """The strips along the binding side that are kept clear."""
        if not self.binding:
            return ()
        if self.pages == 1:
            return (Rect(ZERO, ZERO, self.binding, self.height),)
        return (
            Rect(self.width - self.binding, ZERO, self.binding, self.height),
            Rect(self.width, ZERO, self.binding, self.height),
        )

    @property
    def is_notebook(self) -> bool:
        """Whether its spreads are bound, and lie on each other when the notebook is closed."""
        return self.kind.startswith("notebook")

    @property
    def gutter(self) -> Length | None:
        """Where the gutter lies, from the left edge of the spread."""
        return self.width if self.pages == 2 else None

    @property
    def names(self) -> tuple[PageName, ...]:
        """Its single pages, from the left."""
        return ("left", "right") if self.pages == 2 else ("left",)

    @property
    def whole(self) -> Rect:
        return Rect(ZERO, ZERO, self.width * self.pages, self.height)

    def page(self, name: PageName) -> Rect:
        """The rectangle of a page; a single page is "left", and "right" is then the same one."""
        if name == "spread" or self.pages == 1:
            return self.whole
        return Rect(self.width if name == "right" else ZERO, ZERO, self.width, self.height)

    def page_of(self, box: Rect) -> PageName:
        """The page on which a box lies: the spread when it crosses the gutter."""
        if self.gutter is None or box.right <= self.gutter:
            return "left"
        return "right" if box.x >= self.gutter else "spread"


KINDS: dict[FormatName, tuple[str, Length, Length]] = {
    "12x12": ("12 × 12", inches(12), inches(12)),
    "letter-upright": ("Letter, upright", inches(8, 1, 2), inches(11)),
    "letter-lying": ("Letter, sideways", inches(11), inches(8, 1, 2)),
    "notebook": ("Traveler’s notebook", inches(4, 1, 4), inches(8, 1, 4)),
    "notebook-pocket": ("Pocket notebook", inches(3, 1, 2), inches(5)),
    "own": ("Own size", inches(8), inches(8)),
}


def of_kind(kind: FormatName, pages: int = 1) -> PageFormat:
    """A format by its name in `KINDS`."""
    _, width, height = KINDS[kind]
    return PageFormat(kind, width, height, pages)
