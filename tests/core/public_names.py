"""The public names of the core, room by room; `python -m tests.core.public_names` writes them down."""

from __future__ import annotations

import ast
from pathlib import Path

import ulna.core

CORE = Path(ulna.core.__file__).parent
WRITTEN = Path(__file__).parent.parent / "fixtures" / "public-names.txt"


def names() -> str:
    """A line a module: what it defines whose name does not begin with an underscore, sorted."""
    lines = []
    for file in sorted(CORE.rglob("*.py")):
        found = sorted({name for node in ast.parse(file.read_text("utf-8")).body for name in _defined(node)})
        if found:
            module = file.relative_to(CORE).with_suffix("").as_posix()
            lines.append(f"{module}: {' '.join(found)}")
    return "\n".join(lines) + "\n"


def _defined(node: ast.stmt) -> list[str]:
    match node:
        case ast.FunctionDef(name=name) | ast.ClassDef(name=name):
            found = [name]
        case ast.Assign(targets=targets):
            found = [n.id for target in targets for n in ast.walk(target) if isinstance(n, ast.Name)]
        case ast.AnnAssign(target=ast.Name(id=name)):
            found = [name]
        case _:
            found = []
    return [name for name in found if not name.startswith("_")]


if __name__ == "__main__":
    WRITTEN.write_text(names(), "utf-8")
