"""What lies on the bed, drawn at true size: lines that are cut, spoiled, still to be cut, each with its turn."""

from __future__ import annotations

from ulna.core.geometry import polygons
from ulna.machines.cutting_machine.words import Job, LineOut

LOOKS = {
    "done": 'stroke="#23343a" stroke-width="0.045"',
    "spoiled": 'stroke="#b3261e" stroke-width="0.05" stroke-dasharray="0.1 0.06"',
    "to do": 'stroke="#7d898c" stroke-width="0.025"',
}


def tray(job: Job) -> str:
    """The sheet as SVG; one user unit is an inch."""
    w, h = job.width.inches, job.height.inches
    lines = "".join(f'<path d="{_path(line)}" {LOOKS[line.fate]}{_dash(line)}/>' for line in job.lines)
    turns = "".join(_turn(k, line) for k, line in enumerate(job.lines, 1))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w:.6g}in" height="{h:.6g}in" viewBox="0 0 {w:.6g} {h:.6g}">'
        f'<rect width="{w:.6g}" height="{h:.6g}" fill="#faf7ef" stroke="#cfc8b8" stroke-width="0.02"/>'
        f'<g fill="none" stroke-linejoin="round">{lines}</g>'
        f'<g font-family="sans-serif" font-size="0.16" fill="#5d6d70">{turns}</g></svg>'
    )


def _turn(k: int, line: LineOut) -> str:
    """Its place in the order, where it begins."""
    x, y = line.points[0]
    return f'<text x="{x + 0.03:.4g}" y="{y - 0.03:.4g}">{k}</text>'


def _path(line: LineOut) -> str:
    drawn = polygons.path(tuple(line.points))
    return drawn if line.closed else drawn.removesuffix("Z")


def _dash(line: LineOut) -> str:
    return "" if line.does == "through" else ' opacity="0.6"'
