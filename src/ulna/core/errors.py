"""The errors of the core, and the root of all.

    UlnaError
    ├── LengthError      (ValueError)   a text that is no length
    ├── FieldError       (ValueError)   a field that holds what cannot be
    ├── NotOnShelf       (LookupError)  a name that nothing on the shelf has
    ├── StoreError                      what can go wrong with the library (store.errors)
    └── NoAnswer                        a machine that does not answer (machines)

An error carries its data; the sentence that a person reads is made from them here and nowhere else.
"""

from __future__ import annotations


class UlnaError(Exception):
    """The root: `code` for programs, `sentence` for people."""

    code = "error"
    status = 422
    """How a server answers: 404 not there, 409 not as things stand, 422 not so, 503 not now."""

    @property
    def sentence(self) -> str:
        return str(self.args[0]) if self.args else self.code

    def __str__(self) -> str:
        return self.sentence


class LengthError(UlnaError, ValueError):
    """A text that is no length: what was read, what is wrong, where (from 1), what would do."""

    code = "length"

    def __init__(self, read: str, problem: str, position: int | None = None, advice: str = "") -> None:
        super().__init__(read, problem, position, advice)
        self.read, self.problem, self.position = read, problem, position
        self.advice = advice or "write for example 4 1/4 in, 4.25 in or 108 mm"

    @property
    def sentence(self) -> str:
        read = self.read if len(self.read) <= 40 else self.read[:39] + "…"
        place = f" at character {self.position}" if self.position else ""
        return f'"{read}": {self.problem}{place}; {self.advice}'


class FieldError(UlnaError, ValueError):
    """A field that holds what cannot be. `field` is a path such as `parts.2.mats.0.borders.left`."""

    code = "field"

    def __init__(self, field: str, read: object, problem: str, advice: str = "") -> None:
        super().__init__(field, read, problem, advice)
        self.field, self.read, self.problem, self.advice = field, read, problem, advice

    @property
    def sentence(self) -> str:
        read = str(self.read)
        shown = f", read {read[:60]!r}" if read else ""
        return f"{self.field}: {self.problem}{shown}" + (f"; {self.advice}" if self.advice else "")


class NotOnShelf(UlnaError, LookupError):
    """A paper, photo or page that is named but is not there."""

    code = "not-on-shelf"
    status = 404

    def __init__(self, what: str, name: str) -> None:
        super().__init__(what, name)
        self.what, self.name = what, name

    @property
    def sentence(self) -> str:
        return f'there is no {self.what} "{self.name}" on the shelf'
