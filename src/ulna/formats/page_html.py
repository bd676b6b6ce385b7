"""A page to be looked at, as one HTML file: for friends who have nothing but a browser."""

from __future__ import annotations

import base64
from html import escape

from ulna.core.page.plan import PagePlan

STYLE = """body{margin:0;background:#f7f3ea;color:#23262b;font:1.1rem/1.6 Georgia,serif}
main{max-width:1200px;margin:0 auto;padding:2rem 1rem}h1{font-weight:600}img{width:100%;height:auto;display:block;
box-shadow:0 4px 18px rgba(60,45,20,.3)}p{max-width:46rem;white-space:pre-line}"""


def write(plan: PagePlan, picture: bytes) -> bytes:
    """The page's name, its picture (PNG) and its story; everything in the file, no script, nothing fetched."""
    name, image = escape(plan.name), base64.b64encode(picture).decode()
    story = f"<p>{escape(plan.story)}</p>" if plan.story.strip() else ""
    return (
        f'<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">'
        f'<meta http-equiv="Content-Security-Policy" content="default-src \'none\'; img-src data:; '
        f"style-src 'unsafe-inline'\"><title>{name}</title><style>{STYLE}</style>"
        f'<main><h1>{name}</h1><img alt="The page {name}" src="data:image/png;base64,{image}">{story}</main></html>'
    ).encode()
