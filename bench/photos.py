"""Two hundred pictures of 12 megapixels coming in, with somebody working meanwhile; large ones and their memory."""

from __future__ import annotations

import io
import re
import statistics
import struct
import threading
import time
import urllib.request
import uuid
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from PIL import Image

from ulna.demo.photos import develop
from ulna.demo.scenes import SCENES

MANY, AT_ONCE = 200, 3


def twelve_megapixels() -> list[bytes]:
    """Some of the demo's scenes with their grain, as large as a camera of today writes them."""
    found = []
    for scene in SCENES[:4]:
        picture = Image.open(io.BytesIO(develop(scene)))
        size = (4000, 3000) if picture.width >= picture.height else (3000, 4000)
        out = io.BytesIO()
        grain = Image.effect_noise(size, 22).convert("RGB")
        Image.blend(picture.resize(size), grain, 0.12).save(out, "JPEG", quality=90)
        found.append(out.getvalue())
    return found


def another(data: bytes, number: int) -> bytes:
    """The same picture as another file: with a comment of its own."""
    words = f"picture {number}".encode()
    return data[:2] + b"\xff\xfe" + struct.pack(">H", len(words) + 2) + words + data[2:]


def send(address: str, name: str, data: bytes) -> None:
    edge = uuid.uuid4().hex
    head = f'--{edge}\r\nContent-Disposition: form-data; name="file"; filename="{name}"\r\n\r\n'
    body = head.encode() + data + f"\r\n--{edge}--\r\n".encode()
    headers = {"Content-Type": f"multipart/form-data; boundary={edge}"}
    urllib.request.urlopen(urllib.request.Request(f"{address}/api/photos", body, headers)).read()


def working(address: str, until: threading.Event) -> Iterator[float]:
    """Milliseconds that the pages take to answer, asked again and again."""
    while not until.is_set():
        start = time.perf_counter()
        urllib.request.urlopen(f"{address}/api/pages").read()
        yield 1000 * (time.perf_counter() - start)
        time.sleep(0.05)


def roll(address: str) -> None:
    """The time that many pictures take, that the first one takes, and how quick the rest is meanwhile."""
    pictures = twelve_megapixels()
    start = time.perf_counter()
    send(address, "first.jpg", another(pictures[0], -1))
    first = time.perf_counter() - start
    over, took = threading.Event(), list[float]()
    watch = threading.Thread(target=lambda: took.extend(working(address, over)))
    watch.start()
    start = time.perf_counter()
    with ThreadPoolExecutor(AT_ONCE) as hands:
        jobs = (another(pictures[k % len(pictures)], k) for k in range(MANY))
        list(hands.map(lambda one: send(address, f"{one[0]}.jpg", one[1]), enumerate(jobs)))
    all_in = time.perf_counter() - start
    over.set()
    watch.join()
    size = sum(len(p) for p in pictures) / len(pictures) / 1e6
    print(f"{'first picture of 12 megapixels in':<52} {first:14.2f} s                        wanted 1 s")
    print(f"{f'{MANY} of them in ({size:.1f} MB each)':<52} {all_in:14.1f} s                        wanted 60 s")
    edge = statistics.quantiles(took, n=20)[-1]
    print(
        f"{'pages asked for meanwhile':<52} {statistics.median(took):11.1f} ms, {edge:11.1f} ms 95th  wanted 100 ms"
    )


def memory_of(what: str, data: bytes) -> None:
    """The most memory that reading one file takes, in a process of its own."""
    import subprocess
    import sys
    import tempfile

    with tempfile.NamedTemporaryFile() as file:
        Path(file.name).write_bytes(data)
        code = (
            "import sys\nfrom pathlib import Path\nfrom ulna.formats import pictures\n"
            "pictures.read_file(Path(sys.argv[1]), 'x')\n"
            "print(next(x for x in open('/proc/self/status') if x.startswith('VmHWM')))"
        )
        said = subprocess.run([sys.executable, "-c", code, file.name], capture_output=True, text=True, check=True)
    most = int(re.findall(r"\d+", said.stdout)[-1]) // 1024
    print(f"{f'memory to read {what}':<52} {most:13d} MB                        wanted 600 MB")


def memory() -> None:
    large = (9000, 6667)
    for kind, mode in (("JPEG", "RGB"), ("PNG", "RGBA"), ("PNG", "I;16"), ("JPEG", "CMYK"), ("HEIF", "RGB")):
        if kind == "HEIF":
            from pillow_heif import register_heif_opener

            register_heif_opener()
        out = io.BytesIO()
        how = {"compress_level": 1} if kind == "PNG" else {"quality": 70}
        Image.new(mode, large, 9000 if mode == "I;16" else None or 0).save(out, kind, **how)
        memory_of(f"60 megapixels, {kind} {mode}", out.getvalue())
