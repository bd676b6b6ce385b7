"""The roll over HTTP: photos coming in, looking, framed, sized, and what goes wrong on the way."""

from __future__ import annotations

import errno
import io
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from tests.api.documents import mat, page, photo_part, picture, send
from ulna.store.errors import Full
from ulna.store.picture_box import PictureBox


def put(api: TestClient, photo: dict[str, Any], **changes: Any) -> dict[str, Any]:
    id, version = photo["saved"]["id"], photo["saved"]["version"]
    body = {"photo": photo["photo"] | changes, "version": version, "what": "x"}
    answer = api.put(f"/api/photos/{id}", json=body)
    assert answer.status_code == 200, answer.text
    return dict(answer.json())


def test_the_same_file_twice_is_here_once(api: TestClient) -> None:
    """Under whatever name it comes; what looks the same is told and comes in."""
    first = send(api, "heron.jpg", picture())
    again = send(api, "copy of heron.jpg", picture())
    assert (first["how"], again["how"]) == ("new", "here")
    assert again["photo"]["saved"]["id"] == first["photo"]["saved"]["id"]
    smaller = send(api, "heron small.jpg", picture(quality=70))
    assert (smaller["how"], smaller["like"]) == ("new", "heron")
    assert len(api.get("/api/photos").json()) == 2


def test_the_same_file_at_once_from_two_windows_is_here_once(api: TestClient) -> None:
    """Whoever comes first has brought it."""
    with ThreadPoolExecutor(4) as windows:
        came = list(windows.map(lambda k: send(api, f"{k}.jpg", picture()), range(4)))
    assert sorted(one["how"] for one in came) == ["here", "here", "here", "new"]
    assert len(api.get("/api/photos").json()) == 1


def test_a_photo_that_was_put_away_comes_back_with_its_file(api: TestClient) -> None:
    """With all that was noted of it."""
    photo = put(api, send(api, "heron.jpg", picture())["photo"], caption="at dawn")
    api.post(f"/api/photos/{photo['saved']['id']}/away", json={"version": photo["saved"]["version"]})
    back = send(api, "heron.jpg", picture())
    assert (back["how"], back["photo"]["photo"]["caption"]) == ("back", "at dawn")


def test_the_same_name_twice_is_told_apart(api: TestClient) -> None:
    """Two cameras both write 0001."""
    names = [send(api, "0001.jpg", picture(seed))["photo"]["photo"]["name"] for seed in (1, 3, 5)]
    assert names == ["0001", "0001 2", "0001 3"]


def test_a_look_changes_the_pictures_and_never_the_file(api: TestClient) -> None:
    """Turned, its pictures lie; undone, they stand again."""
    photo = send(api, "heron.jpg", picture())["photo"]
    id = photo["saved"]["id"]
    photo["photo"]["framing"] |= {"focal_x": 0.1, "focal_y": 0.5}
    marked = put(api, photo)
    turned = put(api, marked, look={"turn": 1, "straighten": 0, "black_and_white": False, "lighten": 0})
    assert turned["pixels"] == {"width": 180, "height": 120} and turned["look"] == "t1s0cl0"
    assert (turned["photo"]["framing"]["focal_x"], turned["photo"]["framing"]["focal_y"]) == pytest.approx(
        (0.5, 0.1)
    )
    view = api.get(f"/api/pictures/{id}/view?look=t1s0cl0")
    assert Image.open(io.BytesIO(view.content)).size == (180, 120)
    assert "immutable" in view.headers["cache-control"]
    assert api.get(f"/api/pictures/{id}/original").content == picture()
    back = api.post(f"/api/photos/{id}/undo", json={"version": turned["saved"]["version"]}).json()
    assert (back["look"], back["photo"]["framing"]["focal_x"]) == ("", 0.1)


def test_a_look_that_is_none_is_refused(api: TestClient) -> None:
    """In an address and in a document."""
    photo = send(api, "heron.jpg", picture())["photo"]
    assert api.get(f"/api/pictures/{photo['saved']['id']}/view?look=../../x").status_code == 422
    look = {"turn": 0, "straighten": 20, "black_and_white": False, "lighten": 0}
    body = {"photo": photo["photo"] | {"look": look}, "version": 1, "what": "x"}
    refused = api.put(f"/api/photos/{photo['saved']['id']}", json=body)
    assert refused.status_code == 422 and "photo.look.straighten" in refused.json()["sentence"]


def test_a_full_disk_leaves_nothing_half_there(api: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    """What was in before is in, and afterwards it goes on."""
    send(api, "one.jpg", picture(1))
    whole = PictureBox.put

    def full(*_: object, **__: object) -> None:
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(PictureBox, "put", full)
    answer = api.post("/api/photos", files={"file": ("two.jpg", picture(3))})
    assert (answer.status_code, answer.json()["sentence"]) == (507, Full().sentence)
    monkeypatch.setattr(PictureBox, "put", whole)
    assert [p["photo"]["name"] for p in api.get("/api/photos").json()] == ["one"]
    assert send(api, "two.jpg", picture(3))["how"] == "new"


def test_what_a_print_shows_follows_its_own_frame(api: TestClient) -> None:
    """Twice as close, half the pixels an inch; a circle has its outline."""
    id = send(api, "heron.jpg", picture(size=(1200, 1800)))["photo"]["saved"]["id"]
    print_ = {"photo": id, "width": "4 in", "height": "6 in", "rim": "0 in"}
    whole = api.post("/api/crop", json={"print": print_}).json()
    close = api.post("/api/crop", json={"print": print_ | {"frame": {"x": 0.5, "y": 0.5, "zoom": 2}}}).json()
    assert (whole["ppi"], close["ppi"], close["word"]) == (300, 150, "soft")
    assert api.post("/api/crop", json={"print": print_ | {"shape": "circle"}}).json()["outline"].startswith("M")
    assert api.post("/api/crop", json={"print": print_ | {"photo": "gone"}}).status_code == 404


def test_sizes_for_an_opening(api: TestClient) -> None:
    """A circle of 4 1/2 in wants a 5 × 5."""
    id = send(api, "heron.jpg", picture(size=(1200, 1800)))["photo"]["saved"]["id"]
    found = api.post(f"/api/photos/{id}/sizes", json={"kind": "opening", "width": "4 1/2 in"}).json()
    assert (found[0]["size"], found[0]["word"]) == ("5 × 5", "fine")
    wrong = api.post(f"/api/photos/{id}/sizes", json={"kind": "opening", "width": "wide"})
    assert wrong.status_code == 422 and wrong.json()["fields"][0]["field"] == "width"


def test_a_photo_as_the_spread_is_asked_of_the_server(api: TestClient) -> None:
    """24 × 12 on a double page."""
    double = page(photo_part(), pages=2)
    part = double["parts"][0]["id"]
    filled = api.post("/api/fill", json={"page": double, "part": part, "on": "spread"}).json()["part"]
    assert (filled["print"]["width"], filled["print"]["height"], filled["mats"]) == ("24 in", "12 in", [])


def test_a_second_mat_is_ranked_beside_the_first(api: TestClient) -> None:
    """The paper of the first one is told to run together with itself; too large a mat leaves no paper."""
    papers = api.post("/api/demo-kit").json()["kit"]["papers"]
    id = send(api, "heron.jpg", picture())["photo"]["saved"]["id"]
    part = photo_part("p", mat("1/8 in", papers[0]["id"]), mat("1/4 in"))
    part["print"]["photo"] = id
    found = api.post("/api/mats/choices", json={"page": page(part), "part": "p", "mat": 1}).json()["choices"]
    same = next(c for c in found if (c["paper"], c["side"]) == (papers[0]["id"], "A"))
    assert not same["good"] and "too like the mat above it" in same["reason"]
    huge = photo_part("p", mat("6 in"))
    huge["print"]["photo"] = id
    assert api.post("/api/mats/choices", json={"page": page(huge), "part": "p", "mat": 0}).json()["choices"] == []


def test_papers_are_ranked_for_a_mat(api: TestClient) -> None:
    """With the photo's edge measured and a reason for each."""
    api.post("/api/demo-kit")
    id = send(api, "heron.jpg", picture())["photo"]["saved"]["id"]
    part = photo_part()
    part["print"]["photo"] = id
    asked = {"page": page(part), "part": part["id"], "mat": 0}
    found = api.post("/api/mats/choices", json=asked).json()
    assert 0 <= found["colours"]["lightness"] <= 100 and found["colours"]["leading"]
    assert len(found["choices"]) >= 12 and all(c["reason"] for c in found["choices"])
    goods = [c["good"] for c in found["choices"]]
    assert goods == sorted(goods, reverse=True)
    part["print"]["photo"] = None
    assert api.post("/api/mats/choices", json=asked | {"page": page(part)}).json() == {
        "colours": None,
        "choices": [],
    }


def test_what_a_file_says_of_itself_is_not_edited(api: TestClient) -> None:
    """A size of nothing is refused; another size, sum or file name than the picture's own does not count."""
    came = send(api, "heron.jpg", picture())["photo"]
    id, record = came["saved"]["id"], came["photo"]
    refused = api.put(f"/api/photos/{id}", json={"photo": record | {"width": 0}, "version": 1})
    assert refused.status_code == 422 and "photo.width" in refused.json()["sentence"]
    odd = record | {
        "width": 9,
        "height": 9,
        "digest": "x",
        "likeness": "no number",
        "file": "y",
        "caption": "by the lock",
    }
    kept = api.put(f"/api/photos/{id}", json={"photo": odd, "version": 1}).json()["photo"]
    assert kept == record | {"caption": "by the lock"}
    assert api.get("/api/photos").status_code == api.get("/api/pages").status_code == 200
    assert send(api, "heron.jpg", picture())["how"] == "here"
