"""What can go wrong with the library, each in a sentence for people: what happened, what is safe, what would do."""

from __future__ import annotations

import errno
from typing import TYPE_CHECKING, Any

from ulna.core.errors import UlnaError

if TYPE_CHECKING:
    from ulna.store.states import Kept


class StoreError(UlnaError):
    """The root of these; made with a sentence for people."""

    code = "store"
    status = 409


class NotThere(StoreError):
    """No document has this kind and id."""

    code = "not-there"
    status = 404

    def __init__(self, kind: str, id: str) -> None:
        super().__init__(f'there is no {kind} "{id}"')
        self.kind, self.id = kind, id


class NoHousehold(StoreError):
    """A folder holds no household."""

    code = "no-household"
    status = 404

    def __init__(self, folder: object) -> None:
        super().__init__(f"{folder}: there is no household here, and none was made; name its folder with --home")


class Changed(StoreError):
    """The document was changed since it was read; `current` is what it is now."""

    code = "changed"

    def __init__(self, current: Kept[Any]) -> None:
        super().__init__(f"this {current.kind} was changed in another window ({current.what})")
        self.current = current


class NoStep(StoreError):
    """There is nothing to undo or redo."""

    code = "no-step"


class TooNew(StoreError):
    """The library was written by a later Ulna."""

    code = "too-new"


class Unreadable(StoreError):
    """A document, or an earlier state of it, that is damaged. It is set aside; all others work."""

    code = "unreadable"

    def __init__(self, kind: str, id: str, why: str) -> None:
        super().__init__(
            f'{kind} "{id}" cannot be read ({why}); the rest is safe. Bring its last good state back on the first '
            "screen, or with: ulna check --mend"
        )
        self.kind, self.id, self.why = kind, id, why


class Unwritable(StoreError):
    """Something that could not be read again if it were kept."""

    code = "field"
    status = 422


class Busy(StoreError):
    """Another program holds the library, or another writer took too long."""

    code = "busy"
    status = 503

    def __init__(self) -> None:
        super().__init__(
            "another program is writing to this household; nothing was changed, and what was saved is safe. It is "
            "tried again; if it lasts, close that program"
        )


class Full(StoreError):
    """The disk took no more."""

    code = "full"
    status = 507

    def __init__(self) -> None:
        super().__init__(
            "the disk is full; this was not kept yet, and what was saved before is safe. Make room and it is kept"
        )


class ReadOnly(StoreError):
    """The folder or its library lets nothing be written."""

    code = "read-only"
    status = 507

    def __init__(self, where: str) -> None:
        super().__init__(
            f"{where} cannot be written to; what was saved is safe. Give yourself the right to write there"
        )


class Damaged(StoreError):
    """The file of the library is not what a database is, or holds what one cannot hold."""

    code = "damaged"
    status = 507

    def __init__(self, where: str) -> None:
        super().__init__(
            f"the library {where} is damaged, so nothing was changed in it. See what can be saved with: ulna check; "
            "or restore a backup into another folder"
        )


def told_of_disk(error: OSError, where: object) -> StoreError:
    """What the file system says, in our words."""
    if error.errno in (errno.ENOSPC, errno.EDQUOT):
        return Full()
    if error.errno in (errno.EACCES, errno.EPERM, errno.EROFS):
        return ReadOnly(str(where))
    return StoreError(f"{where}: {(error.strerror or 'cannot be used').lower()}; choose another place")
