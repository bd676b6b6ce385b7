"""Writes docs/licences.md: what ships in the interface and in the sheets, under which licence, with its text."""

from __future__ import annotations

import json
from pathlib import Path

ROOT = Path(__file__).parent.parent
MODULES = ROOT / "frontend/node_modules"
FILE = ROOT / "docs/licences.md"


def shipped() -> list[str]:
    """The packages that the interface is built from, what they stand on included."""
    lock = json.loads((ROOT / "frontend/package-lock.json").read_text())
    packages = lock["packages"]
    return sorted(
        name.removeprefix("node_modules/") for name, one in packages.items() if name and not one.get("dev")
    )


def write() -> None:
    """Texts that are the same stand once."""
    texts: dict[str, list[str]] = {}
    lines = ["# Licences of what ships", "", "Made by `docs/write_licences.py`.", ""]
    for name in shipped():
        folder_of = MODULES / name
        if not folder_of.is_dir():  # for another platform
            continue
        package = json.loads((folder_of / "package.json").read_text())
        found = sorted(
            f for f in folder_of.iterdir() if f.name.lower().startswith(("licen", "ofl")) and f.is_file()
        )
        text = found[0].read_text(errors="replace").strip() if found else "(its package has no text of it)"
        lines.append(f"- {name} {package['version']}: {package.get('license', 'not said')}")
        texts.setdefault(text, []).append(name)
    for folder in ("fonts", "faces"):
        there = f"the faces in src/ulna/formats/{folder}"
        texts.setdefault((ROOT / f"src/ulna/formats/{folder}/LICENCE.txt").read_text().strip(), []).append(there)
        lines.append(f"- {there}: OFL-1.1")
    for text, names in texts.items():
        lines += ["", f"## {', '.join(names)}", "", "```text", text.replace("```", "'''"), "```"]
    FILE.write_text("\n".join(lines) + "\n")


if __name__ == "__main__":
    write()
