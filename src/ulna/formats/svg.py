"""Drawings as SVG in inches: a side's pattern, a page as it will look, a sheet with its cuts at true size."""

from __future__ import annotations

import base64
import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from xml.sax.saxutils import escape, quoteattr

from ulna.core.cutting.cut_list import CutSheet
from ulna.core.cutting.steps import Cut, Gut, Open, Step, Take, Trace
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Bounds
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler
from ulna.core.page.evaluate import DrawnLine, Evaluated
from ulna.core.page_formats import PageFormat
from ulna.core.paper import patterns
from ulna.core.paper.shelf import Paper, Shelf, Side
from ulna.core.parts.pieces import Piece
from ulna.core.photos.look import Look
from ulna.core.words.faces import Typefaces
from ulna.formats import thing_svg
from ulna.formats.ink import in_ink
from ulna.formats.texts import plain

INK, CUT, REST, PAPER = "#23262b", "#a5312b", "#b07a1e", "#fffdf8"
Href = Callable[[str], str | None]
"""The address of a picture by its id, or nothing where it is not there."""
Photograph = Callable[[str, Look], str | None]


@dataclass(frozen=True, slots=True)
class Tile:
    """What repeats on a side: its size in inches and what is drawn in it, as SVG."""

    width: float
    height: float
    markup: str


def tile(side: Side, width: float, height: float, href: Href) -> Tile:
    """The tile of a side; where it has a picture of the sheet, that is as large as the sheet."""
    address = href(side.picture) if side.picture else None
    if address:
        image = (
            f'<image href={quoteattr(plain(address))} width="{width:g}" height="{height:g}" '
            'preserveAspectRatio="none"/>'
        )
        return Tile(width, height, image)
    drawn, scale = patterns.tile(side), patterns.repeat(side).inches
    marks = "".join(_mark(m) for m in drawn.marks)
    ground = (
        f'<rect x="-1" y="-1" width="{drawn.width + 2:g}" height="{drawn.height + 2:g}" fill="{drawn.ground}"/>'
    )
    return Tile(drawn.width * scale, drawn.height * scale, f'<g transform="scale({scale:.6g})">{ground}{marks}</g>')


def tile_of(paper: Paper, face: str, href: Href) -> Tile:
    side = paper.a if face == "A" else paper.b
    return tile(side, paper.width.inches, paper.height.inches, href)


def swatch(side: Side, wide: float, pixels: int) -> bytes:
    """A square of a side's print, so many inches wide, as a picture (PNG)."""
    drawn = tile(side, wide, wide, lambda _: None)
    pattern = f'<pattern id="p" width="{drawn.width:g}" height="{drawn.height:g}" patternUnits="userSpaceOnUse">'
    return raster(
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{pixels}" height="{pixels}" viewBox="0 0 {wide:g} {wide:g}">'
        f'<defs>{pattern}{drawn.markup}</pattern></defs><rect width="{wide:g}" height="{wide:g}" fill="url(#p)"/>'
        "</svg>",
        pixels,
    )


def _mark(mark: patterns.Mark) -> str:
    paint = f'fill="{mark.fill}"' if mark.fill else 'fill="none"'
    if mark.stroke:
        paint += f' stroke="{mark.stroke}" stroke-width="{mark.weight:.5g}"'
    if mark.opacity < 1:
        paint += f' opacity="{mark.opacity:g}"'
    return f'<path d="{mark.path}" {paint}/>'


def embedded(data: bytes | None) -> str | None:
    """A JPEG as an address that holds it."""
    return f"data:image/jpeg;base64,{base64.b64encode(data).decode()}" if data else None


def _box(rect: Rect) -> str:
    return (
        f'x="{rect.x.inches:.6g}" y="{rect.y.inches:.6g}" width="{rect.width.inches:.6g}" '
        f'height="{rect.height.inches:.6g}"'
    )


# ---- the page --------------------------------------------------------------------------------------


def page(evaluated: Evaluated, shelf: Shelf, picture: Href, photo: Photograph, faces: Typefaces) -> str:
    """The page as it will look, at true size, without a word on it; `photo` gives a photo's address by its look."""
    whole = evaluated.format.whole
    w, h = whole.width.inches, whole.height.inches
    defs, body = list[str](), list[str]()
    drawn: set[str] = set()
    order = {part.id: k for k, part in enumerate(evaluated.parts)}
    lines = sorted(evaluated.lines, key=lambda line: order[line.part], reverse=True)
    for k, piece in enumerate(evaluated.pieces):
        while lines and order[lines[-1].part] < order[piece.part]:  # each at the level of its part
            body.append(_line_of(lines.pop(), faces))
        body.append(
            _shadow(piece)
            + (
                _print(piece, k, photo, defs)
                if piece.role == "print"
                else _thing(piece, shelf, picture, faces, defs)
                if piece.role == "thing"
                else _piece(piece, shelf, picture, defs, drawn)
            )
        )
    body += [_line_of(line, faces) for line in reversed(lines)]
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w:g}in" height="{h:g}in" viewBox="0 0 {w:g} {h:g}">'
        f'<defs><clipPath id="page"><rect width="{w:g}" height="{h:g}"/></clipPath>{"".join(defs)}</defs>'
        f'<rect width="{w:g}" height="{h:g}" fill="{PAPER}"/><g clip-path="url(#page)">{"".join(body)}</g>'
        f"{_gutter(evaluated.format)}</svg>"
    )


def named_apart(drawing: str, key: str) -> str:
    """A drawing whose names no other one on the same screen has."""
    return re.sub(r'(\bid="|url\(#)', rf"\g<1>{key}", drawing)


def path_of(piece: Piece) -> str:
    """What is seen of a piece that is no plain rectangle, from the corner of `uncut`; nothing for one that is."""
    if not piece.outline and not piece.holes:
        return ""
    r, u = piece.rect, piece.uncut
    own = piece.outline or polygons.box((r.x - u.x).inches, (r.y - u.y).inches, r.width.inches, r.height.inches)
    return polygons.path(own, *(hole.outline for hole in piece.holes))


def _laid(piece: Piece) -> str:
    """The way from the corner of a piece as it was cut to where it lies."""
    u = piece.uncut
    move = f"translate({u.x.inches:.6g} {u.y.inches:.6g})"
    if not piece.angle:
        return move
    return f"{move} rotate({piece.angle:.6g} {u.width.inches / 2:.6g} {u.height.inches / 2:.6g})"


def _shadow(piece: Piece) -> str:
    """A soft edge below and right of a piece, in layers: a filter would take ten times as long to render."""
    rect = piece.rect
    if piece.picture is not None and piece.picture.outline:
        return "".join(
            f'<path d="{piece.picture.outline}" transform="translate({rect.x.inches + 0.015:.6g} '
            f'{rect.y.inches + 0.03:.6g})" fill="none" stroke="#2a2216" stroke-opacity="0.09" stroke-width="{s}"/>'
            for s in (0.02, 0.05, 0.08)
        )
    if piece.angle or piece.outline or piece.holes:
        r, u = piece.rect, piece.uncut
        own = piece.outline or polygons.box((r.x - u.x).inches, (r.y - u.y).inches, r.width.inches, r.height.inches)
        return "".join(
            f'<path d="{path_of(piece) or polygons.path(own)}" transform="translate(0.015 0.03) {_laid(piece)}" '
            f'fill="none" stroke="#2a2216" stroke-opacity="0.09" stroke-width="{s}"/>'
            for s in (0.02, 0.05, 0.08)
        )
    x, y, w, h = rect.x.inches, rect.y.inches, rect.width.inches, rect.height.inches
    return "".join(
        f'<rect x="{x - s + 0.015:.4g}" y="{y - s + 0.03:.4g}" width="{w + 2 * s:.6g}" height="{h + 2 * s:.6g}" '
        'rx="0.03" fill="#2a2216" fill-opacity="0.09"/>'
        for s in (0.0, 0.02, 0.04)
    )


def _gutter(format: PageFormat) -> str:
    if format.gutter is None:
        return ""
    x, h = format.gutter.inches, format.height.inches
    return f'<path d="M{x:g} 0V{h:g}" stroke="#000" stroke-opacity="0.35" stroke-width="0.02"/>'


def _thing(piece: Piece, shelf: Shelf, picture: Href, faces: Typefaces, defs: list[str]) -> str:
    """A thing as it looks, cut to what is seen of it; of one that is not chosen its outline."""
    thing = shelf.things.get(piece.thing or "")
    path = path_of(piece)
    if thing is None:
        return f'<path d="{path}" transform="{_laid(piece)}" fill="{piece.colour}"/>'
    clip = f"t{len(defs)}"
    defs.append(f'<clipPath id="{clip}"><path d="{path}"/></clipPath>')
    u, (wide, high) = piece.uncut, thing.size
    x = wide.inches - u.width.inches if piece.thing_half == "right" else 0.0
    y = high.inches - u.height.inches if piece.thing_half == "bottom" else 0.0
    return (
        f'<g transform="{_laid(piece)}" clip-path="url(#{clip})" color="{piece.colour}">'
        f'<g transform="translate({-x:.6g} {-y:.6g})">{thing_svg.markup(thing, faces["plain"], picture)}</g></g>'
    )


def _piece(piece: Piece, shelf: Shelf, picture: Href, defs: list[str], drawn: set[str]) -> str:
    paper = shelf.papers.get(piece.choice.paper or "")
    if piece.role == "tape":
        return f'<rect {_box(piece.rect)} fill="{piece.colour}" fill-opacity="0.82"/>'
    if paper is None:
        path = path_of(piece)
        if piece.role == "sticker":
            return f'<path d="{path}" transform="{_laid(piece)}" fill="{piece.colour}" fill-rule="evenodd"/>'
        if path or piece.angle:
            d = path or _local_box(piece)
            return f'<path d="{d}" transform="{_laid(piece)}" fill="#e6e0d2" fill-rule="evenodd"/>'
        return f'<rect {_box(piece.rect)} fill="#e6e0d2"/>'
    name = f"p-{piece.choice.side}-{list(shelf.papers).index(paper.id)}"
    if name not in drawn:
        drawn.add(name)
        t = tile_of(paper, piece.choice.side, picture)
        defs.append(
            f'<pattern id="{name}" patternUnits="userSpaceOnUse" width="{t.width:.6g}" height="{t.height:.6g}">'
            f"{t.markup}</pattern>"
        )
    # The pattern begins at the uncut piece's corner, so that the two halves of a piece run on; that of a card where
    # it lies on its sheet.
    u, r = piece.uncut, piece.rect
    if piece.outline or piece.holes or piece.angle or piece.pin:
        return _cut_shape(piece, name, defs)
    x, y, w, h = u.x.inches, u.y.inches, r.width.inches, r.height.inches
    dx, dy = (r.x - u.x).inches, (r.y - u.y).inches
    if piece.choice.turned:
        move = f"translate({x + u.width.inches:.6g} {y:.6g}) rotate(90)"
        box = f'x="{dy:.6g}" y="{u.width.inches - dx - w:.6g}" width="{h:.6g}" height="{w:.6g}"'
    else:
        move, box = f"translate({x:.6g} {y:.6g})", f'x="{dx:.6g}" y="{dy:.6g}" width="{w:.6g}" height="{h:.6g}"'
    return f'<g transform="{move}"><rect {box} fill="url(#{name})"/></g>'


def _local_box(piece: Piece) -> str:
    r, u = piece.rect, piece.uncut
    return polygons.path(polygons.box((r.x - u.x).inches, (r.y - u.y).inches, r.width.inches, r.height.inches))


def _cut_shape(piece: Piece, pattern: str, defs: list[str]) -> str:
    """A piece that is no upright rectangle: its pattern clipped to what is seen, and laid where it lies."""
    u, clip = piece.uncut, f"s{len(defs)}"
    w, h = u.width.inches, u.height.inches
    path = path_of(piece) or _local_box(piece)
    defs.append(f'<clipPath id="{clip}"><path d="{path}" clip-rule="evenodd"/></clipPath>')
    if piece.choice.turned:
        box = f'<rect width="{h:.6g}" height="{w:.6g}" fill="url(#{pattern})"/>'
        paper = f'<g transform="translate({w:.6g} 0) rotate(90)">{box}</g>'
    else:
        x, y = (piece.pin.x.inches, piece.pin.y.inches) if piece.pin else (0.0, 0.0)
        dx, dy = (piece.rect.x - u.x).inches, (piece.rect.y - u.y).inches
        x, y = (x - dx, y - dy) if piece.pin else (x, y)
        paper = (
            f'<g transform="translate({-x:.6g} {-y:.6g})"><rect x="{x:.6g}" y="{y:.6g}" width="{w:.6g}" '
            f'height="{h:.6g}" fill="url(#{pattern})"/></g>'
        )
    return f'<g transform="{_laid(piece)}"><g clip-path="url(#{clip})">{paper}</g></g>'


def words(lines: Sequence[DrawnLine], within: Bounds, faces: Typefaces) -> str:
    """Lines of words of one part alone, on white, in a box from its corner."""
    inked = "".join(
        f'<path d="{polygons.path(*in_ink(line.written, faces[line.face]))}" fill="{INK}"/>'
        for line in lines
        if line.written
    )
    return _on_white(inked, within)


def letters(pieces: Sequence[Piece], within: Bounds) -> str:
    """Letters alone, each in its colour where it stands, on white, in a box of the page."""
    inked = "".join(
        f'<path d="{path_of(piece)}" transform="{_laid(piece)}" fill="{piece.colour}" fill-rule="evenodd"/>'
        for piece in pieces
    )
    return _on_white(inked, within)


def _on_white(inked: str, within: Bounds) -> str:
    x1, y1, x2, y2 = within
    wide, high = x2 - x1, y2 - y1
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.6g}in" height="{high:.6g}in" '
        f'viewBox="{x1:.6g} {y1:.6g} {wide:.6g} {high:.6g}">'
        f'<rect x="{x1:.6g}" y="{y1:.6g}" width="{wide:.6g}" height="{high:.6g}" fill="#fff"/>{inked}</svg>'
    )


def _line_of(line: DrawnLine, faces: Typefaces) -> str:
    if line.kind == "axis":
        return ""
    move = f"translate({line.box.x.inches:.6g} {line.box.y.inches:.6g})"
    if line.written is not None:
        return (
            f'<path d="{polygons.path(*in_ink(line.written, faces[line.face]))}" transform="{move}" fill="{INK}"/>'
        )
    if line.kind == "wash":
        return (
            f'<path d="{line.path}" transform="{move}" fill="{line.colour}" fill-opacity="0.45" '
            f'stroke="{line.colour}" stroke-opacity="0.25" stroke-width="0.03" stroke-linejoin="round"/>'
        )
    if line.kind == "rule":
        return f'<path d="{line.path}" transform="{move}" fill="none" stroke="#8d867a" stroke-width="0.012"/>'
    return (
        f'<path d="{line.path}" transform="{move}" fill="none" stroke="#fff" stroke-width="0.035" '
        f'stroke-dasharray="0.11 0.06" stroke-linecap="round"/><path d="{line.path}" transform="{move}" fill="none" '
        'stroke="#5b5346" stroke-width="0.018" stroke-dasharray="0.11 0.06" stroke-linecap="round"/>'
    )


def _print(piece: Piece, k: int, picture: Photograph, defs: list[str]) -> str:
    """White paper and the picture in its window, clipped to what is seen of it, and laid where it lies."""
    shown, r, u = piece.picture, piece.rect, piece.uncut
    own = f"<rect {_box(r.moved(-u.x, -u.y))}/>"
    seen = f'<path d="{path}" clip-rule="evenodd"/>' if (path := path_of(piece)) else own
    paper = (
        f'<path d="{shown.outline}" fill="#fff"/>' if shown and shown.outline else own.replace("/", ' fill="#fff"/')
    )
    defs.append(f'<clipPath id="h{k}">{seen}</clipPath>')
    address = picture(shown.photo, shown.look) if shown and shown.photo and shown.crop else None
    if shown is None or shown.crop is None or address is None:
        return f'<g transform="{_laid(piece)}" clip-path="url(#h{k})">{paper.replace("#fff", "#d8d2c4")}</g>'
    crop, window = shown.crop, shown.window
    x, y, w, h = (v.inches for v in (window.x, window.y, window.width, window.height))
    inner = f'<path d="{shown.inner}"/>' if shown.inner else f"<rect {_box(window)}/>"
    defs.append(f'<clipPath id="c{k}">{inner}</clipPath>')
    full_w, full_h = w / crop.width, h / crop.height
    image = (
        f'<image href={quoteattr(plain(address))} x="{x - crop.x * full_w:.6g}" y="{y - crop.y * full_h:.6g}" '
        f'width="{full_w:.6g}" height="{full_h:.6g}" preserveAspectRatio="none"/>'
    )
    inside = f'{paper}<g clip-path="url(#c{k})">{image}</g>'
    return f'<g transform="{_laid(piece)}" clip-path="url(#h{k})">{inside}</g>'


# ---- sheets ----------------------------------------------------------------------------------------


def sheet(cut: CutSheet, name: str, ruler: Ruler) -> str:
    """A sheet at true size with its pieces, rests, holes and cuts, for a printer that takes it or a cutting machine."""
    w, h = cut.width.inches, cut.height.inches
    body = [f'<rect width="{w:g}" height="{h:g}" fill="#fff" stroke="{INK}" stroke-width="0.02"/>']
    body += [f'<rect class="rest" {_box(r.at)} fill="{REST}" fill-opacity="0.12"/>' for r in cut.rests]
    if cut.strip is not None:
        body.append(
            f'<rect class="strip" {_box(cut.strip.rect(cut.width, cut.height))} fill="{INK}" fill-opacity="0.15"/>'
        )
    for piece in cut.pieces:
        if piece.of:
            continue
        body.append(f'<rect class="piece" {_box(piece.rect)} fill="none" stroke="{INK}" stroke-width="0.015"/>')
        body.append(_label(piece.rect, f"{piece.number}", _size(piece.rect, ruler)))
    body += [
        f'<path class="hole" d="{polygons.path(hole.outline)}" fill="{INK}" fill-opacity="0.25"/>'
        for hole in cut.holes
    ]
    if cut.inside is not None:
        line = polygons.path(polygons.box(0, 0, w, h), cut.inside.within(cut.whole).outline)
        body.append(f'<path class="hole" d="{line}" fill="{INK}" fill-opacity="0.25" fill-rule="evenodd"/>')
    for step in cut.steps:
        line = line_of(step, cut)
        if line:
            body.append(f'<path class="{step.kind}" d="{line}"/>')
    style = (
        f".cut,.gut,.open,.slant,.round,.shape,.tear{{fill:none;stroke:{CUT};stroke-width:0.015}}"
        ".gut,.open,.slant,.round,.shape,.tear{stroke-dasharray:0.08 0.05}"
        f"text{{font-family:sans-serif;fill:{INK};text-anchor:middle}}"
    )
    side = f"{name}, {cut.face} side up"
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w:g}in" height="{h:g}in" viewBox="0 0 {w:g} {h:g}">'
        f"<title>{escape(plain(side))}</title><style>{style}</style>{''.join(body)}</svg>"
    )


def line_of(step: Step, cut: CutSheet) -> str:
    """Where a step cuts, as a path in inches on its sheet as it is looked at; nothing where it does not cut."""
    if isinstance(step, Cut):
        x, y, right, bottom = step.of.x.inches, step.of.y.inches, step.of.right.inches, step.of.bottom.inches
        at = step.at.inches
        return f"M{at:.6g} {y:.6g}V{bottom:.6g}" if step.axis == "vertical" else f"M{x:.6g} {at:.6g}H{right:.6g}"
    if isinstance(step, Gut):
        p = step.panel
        return polygons.path(polygons.box(p.x.inches, p.y.inches, p.width.inches, p.height.inches))
    if isinstance(step, Take):
        return ""
    if isinstance(step, Trace):
        return polygons.path(*step.outlines, *(hole for holes in step.openings for hole in holes))
    outline = step.hole.outline if isinstance(step, Open) else step.outline
    return polygons.path(cut.piece(step.piece).outline_on_sheet(outline))


def _size(rect: Rect, ruler: Ruler) -> str:
    return ruler.say_size(rect.width, rect.height)


def _label(rect: Rect, number: str, size: str) -> str:
    x, y = (rect.x + rect.right).inches / 2, (rect.y + rect.bottom).inches / 2
    big = max(0.12, min(0.5, rect.height.inches / 3, rect.width.inches / 2))
    small = f'<text x="{x:.6g}" y="{y + big * 0.9:.6g}" font-size="{big * 0.4:.4g}">{escape(plain(size))}</text>'
    fits = rect.width.inches > 1 and rect.height.inches > 0.8
    return f'<text x="{x:.6g}" y="{y + big * 0.2:.6g}" font-size="{big:.4g}">{number}</text>{small if fits else ""}'


def raster(svg: str, width: int) -> bytes:
    """A drawing as PNG, `width` pixels wide."""
    import resvg_py

    return bytes(resvg_py.svg_to_bytes(svg_string=svg, width=width, dpi=96, skip_system_fonts=True))
