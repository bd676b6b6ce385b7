"""Opening a household from the command line: it says so once it is open, or in one sentence why not."""

from __future__ import annotations

import os
import signal
import socket
import ssl
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from contextlib import closing
from pathlib import Path

import httpx2
import pytest

from tests.api.documents import picture
from ulna.household.keeper import FILE
from ulna.store.library import DATABASE

Start = Callable[..., "subprocess.Popen[str]"]


@pytest.fixture
def start() -> Iterator[Start]:
    """Starts the command; whatever runs at the end is ended."""
    running = list[subprocess.Popen[str]]()

    def begin(*words: str, **env: str) -> subprocess.Popen[str]:
        program = subprocess.Popen(
            [sys.executable, "-m", "ulna", *words],
            stdout=subprocess.PIPE,
            stderr=subprocess.PIPE,
            stdin=subprocess.DEVNULL,
            text=True,
            env={**os.environ, **env},
        )
        running.append(program)
        return program

    yield begin
    for program in running:
        program.kill()
        program.wait()


def address(program: subprocess.Popen[str]) -> str:
    """Where it is open."""
    assert program.stdout is not None
    while line := program.stdout.readline():
        if line.startswith("Ulna is open at "):
            return line.removeprefix("Ulna is open at ").strip()
    raise AssertionError(program.stderr.read() if program.stderr else "it ended")


def a_file(home: Path) -> None:
    home.write_text("a letter")


def garbage(home: Path) -> None:
    home.mkdir()
    (home / DATABASE).write_bytes(b"a letter to Wren " * 500)


def a_folder_for_a_library(home: Path) -> None:
    (home / DATABASE).mkdir(parents=True)


@pytest.mark.parametrize("harm", [a_file, garbage, a_folder_for_a_library])
def test_what_cannot_be_opened_is_told_in_one_sentence(
    tmp_path: Path, start: Start, harm: Callable[[Path], None]
) -> None:
    """And never said to be open."""
    harm(tmp_path / "home")
    out, told = start("serve", "--home", str(tmp_path / "home"), "--port", "0").communicate(timeout=90)
    assert out == "" and len(told.splitlines()) == 1 and str(tmp_path / "home") in told


def test_a_port_that_is_taken_is_told(tmp_path: Path, start: Start) -> None:
    with closing(socket.create_server(("127.0.0.1", 0))) as other:
        port = str(other.getsockname()[1])
        out, told = start("serve", "--home", str(tmp_path), "--port", port).communicate(timeout=90)
    assert out == "" and "--port " in told and " is free" in told and len(told.splitlines()) == 1


def test_it_says_where_the_household_lies_and_opens_the_browser(tmp_path: Path, start: Start) -> None:
    """Once it listens; with --no-browser it opens none."""
    shown = tmp_path / "shown"
    asked = tmp_path / "browser"
    asked.write_text(f'#!/bin/sh\necho "$1" > {shown}\n')
    asked.chmod(0o755)
    words = ("serve", "--home", str(tmp_path / "home"), "--port", "0")
    program = start(*words, BROWSER=str(asked))
    at = address(program)
    assert program.stdout is not None
    assert program.stdout.readline() == f"The household lies in {tmp_path / 'home'}\n"
    end = time.monotonic() + 20
    while not shown.exists() and time.monotonic() < end:
        time.sleep(0.05)
    assert shown.read_text().strip() == at
    shown.unlink()
    address(start(*words, "--no-browser", BROWSER=str(asked)))
    assert not shown.exists()


def processes_of(folder: Path) -> list[int]:
    """The processes that were started with a folder in their environment."""
    found = []
    for one in Path("/proc").glob("[0-9]*"):
        try:
            if f"ULNA_HOME={folder}".encode() in (one / "environ").read_bytes():
                found.append(int(one.name))
        except OSError:
            continue
    return found


def test_whatever_ends_it_nothing_goes_on_running(tmp_path: Path, start: Start) -> None:
    """Killed without a word, its darkroom ends with it."""
    program = start("serve", "--port", "0", ULNA_HOME=str(tmp_path))
    at = address(program)
    answer = httpx2.post(f"{at}/api/photos", files={"file": ("heron.jpg", picture(1))}, timeout=30)
    assert answer.status_code == 201 and len(processes_of(tmp_path)) > 1
    program.send_signal(signal.SIGKILL)
    program.wait()
    end = time.monotonic() + 10
    while processes_of(tmp_path) and time.monotonic() < end:
        time.sleep(0.1)
    assert processes_of(tmp_path) == []


def test_beyond_this_machine_a_passphrase_is_made_and_shown_once(tmp_path: Path, start: Start) -> None:
    """It lets in; the next start asks the same one and does not show it; it is in no list of processes."""
    first = start("serve", "--home", str(tmp_path), "--host", "0.0.0.0", "--port", "0")
    assert first.stdout is not None
    passphrase = first.stdout.readline().removeprefix("Visitors sign in with: ").strip()
    at = address(first).replace("0.0.0.0", "127.0.0.1")
    assert httpx2.get(f"{at}/api/kits").status_code == 401
    with httpx2.Client() as visitor:
        assert visitor.post(f"{at}/api/door/in", json={"passphrase": passphrase}, timeout=30).status_code == 204
        assert visitor.get(f"{at}/api/kits").status_code == 200
    assert passphrase not in (tmp_path / FILE).read_text()
    assert passphrase.encode() not in Path(f"/proc/{first.pid}/cmdline").read_bytes()
    first.kill()
    second = start("serve", "--home", str(tmp_path), "--host", "0.0.0.0", "--port", "0")
    assert second.stdout is not None and second.stdout.readline().startswith("Ulna is open at")


def test_a_passphrase_that_is_too_short_is_refused(tmp_path: Path, start: Start) -> None:
    words = ("serve", "--home", str(tmp_path), "--host", "0.0.0.0", "--port", "0")
    out, told = start(*words, ULNA_PASSPHRASE="reeds").communicate(timeout=90)
    assert out == "" and "it has 5 characters; take from 12" in told


def test_with_a_certificate_it_is_https(tmp_path: Path, start: Start) -> None:
    """And the cookie travels by it alone; a key that is another's is told."""
    for name in ("one", "other"):
        make = ["openssl", "req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj", "/CN=localhost",
                "-addext", "subjectAltName=DNS:localhost", "-keyout", str(tmp_path / f"{name}.key"), "-out",
                str(tmp_path / f"{name}.pem")]  # fmt: skip
        subprocess.run(make, check=True, capture_output=True)
    pem, key = str(tmp_path / "one.pem"), str(tmp_path / "one.key")
    words = ("serve", "--home", str(tmp_path / "home"), "--host", "0.0.0.0", "--port", "0", "--certificate", pem)
    at = address(start(*words, "--key", key, ULNA_PASSPHRASE="a heron by the lock")).replace("0.0.0.0", "localhost")
    trusted = ssl.create_default_context(cafile=pem)
    came = httpx2.post(f"{at}/api/door/in", json={"passphrase": "a heron by the lock"}, verify=trusted, timeout=30)
    assert at.startswith("https://") and came.status_code == 204 and "secure" in came.headers["set-cookie"].lower()
    _, told = start(*words, "--key", str(tmp_path / "other.key")).communicate(timeout=90)
    assert "give a certificate and its key as PEM" in told and "Traceback" not in told
