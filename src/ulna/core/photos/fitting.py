"""What size a print should be for a place: the smallest that serves, and what it would lose.

opening d  ┌───────┐   behind an opening: d + 2 × lap both ways; a print exactly d wide will do if it is fixed at
     ╭──╮  │ ╭───╮ │   its two long ends, and then nothing is spare sideways
     │d │  │ │ d │ │ d + 2 × lap
     ╰──╯  │ ╰───╯ │
           └───────┘
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.photos import crop as cropping
from ulna.core.photos.photo import Photo

SpotKind = Literal["width", "opening", "cell"]


@dataclass(frozen=True, slots=True)
class Spot:
    """A place for a photo: a width on the page, an opening, or a cell of a grid; `height` None for a width."""

    kind: SpotKind
    width: Length
    height: Length | None = None
    lap: Length = ZERO


@dataclass(frozen=True, slots=True)
class Offer:
    """A print that serves a place. `lost` is the share of the picture that is cut away or hidden."""

    width: Length
    height: Length
    usual: bool
    lost: float
    ppi: float
    says: str


MOST_OFFERS = 4


def offers(photo: Photo, spot: Spot, sizes: Sequence[tuple[Length, Length]], ruler: Ruler) -> list[Offer]:
    """Prints for a place, the best first: of a size of its own where nothing need be trimmed, then the usual
    sizes.
    """
    found = [_own(photo, spot, ruler)] if spot.kind != "opening" else []
    for w, h in sizes:
        for wide, high in {(w, h), (h, w)}:
            says = _serves(spot, wide, high, ruler)
            if says is not None:
                found.append(_offer(photo, wide, high, True, says, spot))
    smallest = sorted(found[1:] if found and not found[0].usual else found, key=lambda o: _rank(o, photo))
    own = [found[0]] if found and not found[0].usual else []
    return [*own, *smallest][:MOST_OFFERS]


def _rank(offer: Offer, photo: Photo) -> tuple[int, float]:
    """Smaller paper first; of one size lying or upright, the way that loses less of the picture."""
    return offer.width.units * offer.height.units, offer.lost


def _own(photo: Photo, spot: Spot, ruler: Ruler) -> Offer:
    """Exactly the place; for a width as high as the whole picture is then."""
    if spot.height is not None:
        return _offer(photo, spot.width, spot.height, False, "fills it exactly", spot)
    high = ruler.round(spot.width.part(photo.pixels[1], photo.pixels[0]))
    return _offer(photo, spot.width, max(high, ruler.mark), False, "exactly so wide, the whole picture", spot)


def _serves(spot: Spot, wide: Length, high: Length, ruler: Ruler) -> str | None:
    """How a print serves a place, in words; nothing where it does not."""
    say = ruler.say
    if spot.kind == "width":
        if wide < spot.width:
            return None
        return "just so wide" if wide == spot.width else f"trim {say(wide - spot.width)} off its width"
    height = spot.height or spot.width
    if spot.kind == "cell":
        if wide < spot.width or high < height:
            return None
        over = [
            f"{say(by)} {way}" for by, way in ((wide - spot.width, "across"), (high - height, "down")) if by > ZERO
        ]
        return f"trim {' and '.join(over)}" if over else "fills it"
    need = spot.width + spot.lap * 2, height + spot.lap * 2
    if wide >= need[0] and high >= need[1]:
        return f"covers it with the lap; trim it to {ruler.say_size(*need)}"
    if wide == spot.width and high >= need[1]:
        return "just so wide: fix it above and below, nothing spare sideways"
    if high == height and wide >= need[0]:
        return "just so high: fix it left and right, nothing spare up and down"
    return None


def _offer(photo: Photo, wide: Length, high: Length, usual: bool, says: str, spot: Spot) -> Offer:
    """With what is lost from the picture to what is seen of the print in the place."""
    crop = cropping.crop(photo.pixels, (wide, high), photo.framing)
    seen_w = min(wide, spot.width)
    seen_h = min(high, spot.height) if spot.height is not None else high
    share = seen_w.units / wide.units * seen_h.units / high.units
    lost = 1 - (1 - crop.lost) * share
    return Offer(wide, high, usual, lost, cropping.pixels_per_inch(photo.pixels, crop, (wide, high)), says)
