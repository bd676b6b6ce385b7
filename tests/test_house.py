"""The house itself: who imports whom, nothing stale, nothing that points outside."""

from __future__ import annotations

import json
import re
import runpy
import subprocess
from pathlib import Path

import pytest

from tests.core import public_names
from ulna.api.describe import document

ROOT = Path(__file__).parent.parent
TEXT = {".py", ".ts", ".tsx", ".md", ".toml", ".json", ".css", ".html", ".lock", ""}


def tracked() -> list[Path]:
    listed = subprocess.run(["git", "ls-files", "-z"], cwd=ROOT, capture_output=True, text=True, check=True).stdout
    return [ROOT / name for name in listed.split("\0") if name]


def test_nothing_imports_what_stands_above_it() -> None:
    """The contracts of pyproject.toml: the core knows nothing of the rest, only the store knows SQL."""
    done = subprocess.run([ROOT / ".venv/bin/lint-imports"], cwd=ROOT, capture_output=True, text=True)
    assert done.returncode == 0, done.stdout


def test_the_interfaces_types_are_those_of_the_server(tmp_path: Path) -> None:
    """frontend/generated/schema.d.ts is generated; run `make types` where this fails."""
    (tmp_path / "openapi.json").write_text(document())
    made = tmp_path / "schema.d.ts"
    tool = ROOT / "frontend/node_modules/.bin/openapi-typescript"
    subprocess.run([tool, tmp_path / "openapi.json", "-o", made], check=True, capture_output=True)
    assert made.read_text() == (ROOT / "frontend/generated/schema.d.ts").read_text()


@pytest.mark.parametrize("name", ["page", "kit", "library"])
def test_the_published_schemas_are_those_of_the_documents(name: str) -> None:
    """docs/schemas is generated; run `make types` where this fails."""
    space: dict[str, object] = runpy.run_path(str(ROOT / "docs/write_schemas.py"))
    assert (ROOT / f"docs/schemas/{name}.json").read_text("utf-8") == space["text"](name)  # type: ignore[operator]


def test_lock_files_name_no_host() -> None:
    """Where packages come from is the machine's business."""
    assert "http" not in re.sub(r'"(url|funding|homepage)": "[^"]*"', "", _npm_addresses())
    assert "://" not in (ROOT / "requirements.lock").read_text()


def _npm_addresses() -> str:
    lock = json.loads((ROOT / "frontend/package-lock.json").read_text())
    return json.dumps([package.get("resolved", "") for package in lock["packages"].values()])


@pytest.mark.parametrize("file", ["docs/architecture.md", "docs/developing.md", "README.md"])
def test_the_paths_that_documents_name_exist(file: str) -> None:
    """A document that leads nowhere is worse than none."""
    text = (ROOT / file).read_text()
    named = re.findall(r"`((?:src|tests|frontend|docs|bench)/[\w./-]+)`", text)
    named += re.findall(r"\]\(((?!http|#)[^)]+)\)", text)
    here = (ROOT / file).parent
    assert named and all((ROOT / p).exists() or (here / p).exists() for p in named), named


def test_every_command_is_documented() -> None:
    """docs/commands.md has a heading for each."""
    import typer

    from ulna.cli.app import app

    text = (ROOT / "docs/commands.md").read_text()
    names = typer.main.get_command(app).commands  # type: ignore[attr-defined]
    assert len(names) > 10 and [name for name in names if f"## ulna {name}\n" not in text] == []


def test_every_package_that_ships_is_named_with_its_licence() -> None:
    """docs/licences.md names what the interface is built from and the faces of the sheets."""
    packages = json.loads((ROOT / "frontend/package-lock.json").read_text())["packages"]
    shipped = [name.removeprefix("node_modules/") for name, one in packages.items() if name and not one.get("dev")]
    text = (ROOT / "docs/licences.md").read_text()
    assert len(shipped) > 20 and [name for name in shipped if f"- {name} " not in text] == []
    assert "SIL OPEN FONT LICENSE" in text.upper()


def test_every_column_of_a_kits_csv_is_documented() -> None:
    """docs/kits-as-csv.md says what each takes."""
    from ulna.formats.kit_csv import COLUMNS

    text = (ROOT / "docs/kits-as-csv.md").read_text()
    assert all(f"| {column} |" in text for column in COLUMNS)


def test_no_path_of_one_machine_stands_in_any_file() -> None:
    """The project stands alone."""
    wrong = re.compile(r"/(?:home|root|work|tmp)/[a-z]")
    for path in tracked():
        if path.suffix in TEXT and path.name != "test_house.py":
            assert not wrong.search(path.read_text(errors="ignore")), path


def test_the_public_names_of_the_core_change_on_purpose() -> None:
    """What other rooms may take; after a change on purpose: `python -m tests.core.public_names`."""
    assert public_names.names() == public_names.WRITTEN.read_text("utf-8")


def test_no_word_of_the_core_means_three_things() -> None:
    """A class has its name for itself, but for pairs that live in rooms which do not meet."""
    found: dict[str, list[str]] = {}
    for line in public_names.names().splitlines():
        module, words = line.split(": ")
        for word in words.split():
            if word[0].isupper() and not word.isupper():
                found.setdefault(word, []).append(module)
    assert {word: modules for word, modules in found.items() if len(modules) > 2} == {}
