"""A print: its size and shape, the white rim within it, and what is cut off it afterwards.

┌──────────────┐ as printed: width × height
│ rim          │
│  ┌────────┐  │
│  │ picture│  │  trimmed by t, and its rim cut off: (width − 2·rim − 2t) × (height − rim − below − 2t)
│  └────────┘  │
│ below        │
└──────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.geometry.shapes import Shape, outline, seen_size
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.photos.crop import Frame
from ulna.core.photos.look import Look
from ulna.core.ranges import Gap, Size

Tone = Literal["as the photo", "black and white", "in colour"]


NONE = Borders.even(ZERO)
PIXELS_PER_INCH = 300
"""How sharp a print is made."""


@dataclass(frozen=True, slots=True)
class Print:
    """A print as it comes out of the printer, its white rim within that size. Without a photo it keeps a place.

    `below` is the rim at the lower edge where it is heavier than the others (rectangles only). `rim_off` cuts the
    rim off afterwards, `trim` that much more from every side. `frame` is a crop of its own; else the photo's holds.
    `hole` is how far from its top edge the middle of a small punched hole is, once it is cut.
    """

    photo: str | None = None
    width: Size = inches(4)
    height: Size = inches(6)
    rim: Gap = ZERO
    below: Gap | None = None
    shape: Shape = "rectangle"
    tone: Tone = "as the photo"
    rim_off: bool = False
    trim: Gap = ZERO
    frame: Frame | None = None
    hole: Gap | None = None

    @property
    def rims(self) -> Borders:
        """As printed."""
        if not self.rim and self.below is None:
            return NONE
        heavy = self.below if self.below is not None and self.shape == "rectangle" else self.rim
        return Borders(self.rim, self.rim, self.rim, heavy)

    @property
    def cut_off(self) -> Borders:
        """What is cut from each side of the print as printed."""
        if not self.trim and not self.rim_off:
            return NONE
        return lessened(self.rims, self.trim) if self.rim_off else Borders.even(self.trim)

    @property
    def is_cut(self) -> bool:
        return bool(self.cut_off.across or self.cut_off.down)

    @property
    def lies(self) -> tuple[Length, Length]:
        """Width and height of what lies on the page, once it is cut; not above nothing where all is cut away."""
        off = self.cut_off
        if self.shape == "rectangle":
            return self.width - off.across, self.height - off.down
        return seen_size(self.shape, self.width, self.height, off.left)

    @property
    def seen(self) -> tuple[Length, Length]:
        """Width and height of the picture inside the rim, as printed."""
        rims = self.rims
        if self.shape == "rectangle":
            return self.width - rims.across, self.height - rims.down
        return seen_size(self.shape, self.width, self.height, self.rim)

    @property
    def window(self) -> Rect:
        """The picture as seen from the corner of the print as it lies; beyond it where the picture is trimmed."""
        seen_w, seen_h = self.seen
        if self.shape == "rectangle":
            rims, off = self.rims, self.cut_off
            return Rect(rims.left - off.left, rims.top - off.top, seen_w, seen_h)
        w, h = self.lies
        return Rect((w - seen_w).part(1, 2), (h - seen_h).part(1, 2), seen_w, seen_h)


def lessened(rims: Borders, by: Length) -> Borders:
    """The rims and `by` more on every side."""
    return Borders(rims.left + by, rims.top + by, rims.right + by, rims.bottom + by)


def words(print_: Print, ruler: Ruler) -> str:
    """Size, shape, rim and cutting in words, as in: 4 × 6 upright, rim 1/8, trimmed by 1/16."""
    w, h = print_.width, print_.height
    way = "square" if w == h else "upright" if h > w else "sideways"
    kind = {"rectangle": way, "on the tip": "on the tip"}.get(print_.shape, f"{print_.shape} {way}")
    if print_.shape != "rectangle" and w == h:
        kind = print_.shape
    said = [f"{ruler.say_size(w, h)} {kind}"]
    if print_.tone != "as the photo":
        said.append(print_.tone)
    if print_.rim or print_.rims.bottom:
        heavier = print_.rims.bottom != print_.rim
        said.append(
            f"rim {ruler.say(print_.rim)}" + (f" and {ruler.say(print_.rims.bottom)} below" if heavier else "")
        )
    if print_.rim_off and (print_.rim or print_.rims.bottom):
        said.append("rim cut off")
    if print_.trim:
        said.append(f"trimmed by {ruler.say(print_.trim)}")
    if print_.hole is not None:
        said.append(f"hole {ruler.say(print_.hole)} from the top")
    return ", ".join(said)


def outline_of(print_: Print) -> Polygon:
    """The shape of a print as it lies, in inches from its corner; none for a rectangle."""
    if print_.shape == "rectangle":
        return ()
    (w, h), (lies_w, lies_h) = (print_.width.inches, print_.height.inches), print_.lies
    dx, dy = (w - lies_w.inches) / 2, (h - lies_h.inches) / 2
    return tuple((x - dx, y - dy) for x, y in outline(print_.shape, w, h, print_.cut_off.left.inches))


def toned(look: Look, print_: Print) -> Look:
    """How a photo looks in one print."""
    if print_.tone == "as the photo":
        return look
    return replace(look, black_and_white=print_.tone == "black and white")
