"""How a request is refused: one shape for all, with a sentence for people and the fields at fault."""

from __future__ import annotations

import errno
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails
from starlette.exceptions import HTTPException

from ulna.core.errors import FieldError, LengthError, UlnaError
from ulna.store.errors import Changed, told_of_disk


class FieldProblem(BaseModel):
    """One field at fault: its path, what was read, and what is wrong with it."""

    field: str
    read: str
    sentence: str


class Problem(BaseModel):
    """Why a request is refused. `current_version` stands where something was changed in another window."""

    code: str
    sentence: str
    fields: list[FieldProblem] = []
    current_version: int | None = None


REFUSALS: dict[int | str, dict[str, Any]] = {
    "4XX": {
        "model": Problem,
        "description": "400 not to be read, 401 not signed in, 403 asked by another site, 404 not there, 405 not "
        "that way, 409 changed elsewhere, no such step or unreadable, 413 too large, 414 too long an address, 421 not "
        "under this name, 422 a wrong field, 429 too soon.",
    },
    "5XX": {
        "model": Problem,
        "description": "503 another program is writing, try again; 507 the disk is full, read only or damaged.",
    },
}


def register(app: FastAPI) -> None:
    """Makes every error a `Problem`."""
    app.add_exception_handler(UlnaError, _of_ours)
    app.add_exception_handler(RequestValidationError, _of_request)
    app.add_exception_handler(ValidationError, _of_request)
    app.add_exception_handler(OSError, _of_disk)
    app.add_exception_handler(HTTPException, _of_http)
    app.add_exception_handler(Exception, _of_anything)


RETRY = {503: 2}
"""After so many seconds it is worth trying again."""


def _answer(status: int, problem: Problem, retry: int = 0) -> JSONResponse:
    headers = {"Retry-After": str(retry)} if retry else None
    return JSONResponse(problem.model_dump(), status_code=status, headers=headers)


def _valid(text: str) -> str:
    """What was read may be no text at all; half of a letter is shown as a question mark."""
    return text.encode("utf-8", "replace").decode()


def _of_ours(_request: Request, error: Exception) -> JSONResponse:
    """Every error says itself what it is and how it is answered."""
    assert isinstance(error, UlnaError)
    fields = []
    if isinstance(error, FieldError):
        fields = [
            FieldProblem(field=error.field, read=_valid(str(error.read))[:80], sentence=_valid(error.sentence))
        ]
    elif isinstance(error, LengthError):
        fields = [FieldProblem(field="length", read=_valid(error.read)[:80], sentence=_valid(error.sentence))]
    version = error.current.version if isinstance(error, Changed) else None
    problem = Problem(code=error.code, sentence=_valid(error.sentence), fields=fields, current_version=version)
    return _answer(error.status, problem, RETRY.get(error.status, getattr(error, "seconds", 0)))


def _of_request(_request: Request, error: Exception) -> JSONResponse:
    details = error.errors() if isinstance(error, RequestValidationError | ValidationError) else []
    fields = [_field(detail) for detail in details[:50]]
    sentence = "; ".join(f.sentence for f in fields[:3]) or "the request cannot be read"
    return _answer(422, Problem(code="field", sentence=sentence, fields=fields))


def _of_disk(request: Request, error: Exception) -> JSONResponse:
    """What the file system says no to, as where the store says it."""
    assert isinstance(error, OSError)
    if error.errno in (errno.ENAMETOOLONG, errno.ENOENT):
        return _answer(404, Problem(code="not-there", sentence="there is no such thing here"))
    told = told_of_disk(error, error.filename or "the household's folder")
    return _of_ours(request, told)


def _of_http(_request: Request, error: Exception) -> JSONResponse:
    status = getattr(error, "status_code", 400)
    words = str(getattr(error, "detail", "")) or "the request cannot be read"
    return _answer(status, Problem(code="request", sentence=words[:1].lower() + words[1:]))


def _of_anything(_request: Request, _error: Exception) -> JSONResponse:
    """What nobody thought of: a sentence for the person; the server's own output has the rest."""
    return _answer(
        500, Problem(code="broken", sentence="something went wrong inside Ulna; what was saved is still there")
    )


def _field(detail: ErrorDetails | Any) -> FieldProblem:
    path = [_valid(str(step)) for step in detail["loc"] if step not in ("body", "query", "path")]
    field = ".".join(path) or "the request"
    cause = detail.get("ctx", {}).get("error")
    read = detail.get("input")
    shown = "" if isinstance(read, dict | list) or read is None else _valid(str(read))[:60]
    if isinstance(cause, UlnaError):
        return FieldProblem(field=field, read=shown, sentence=f"{field}: {cause.sentence}")
    words = str(cause) if cause is not None else detail["msg"][:1].lower() + detail["msg"][1:]
    tail = f", read {shown!r}" if shown else ""
    return FieldProblem(field=field, read=shown, sentence=f"{field}: {words}{tail}")
