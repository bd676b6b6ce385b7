"""How a request is refused: one shape for all, with a sentence for people and the fields at fault."""

from __future__ import annotations

from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails
from starlette.exceptions import HTTPException

from ulna.core.errors import FieldError, LengthError, UlnaError
from ulna.store.errors import Changed


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
        "description": "404 not there, 409 changed elsewhere or no such step, 422 a wrong field.",
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


def _answer(status: int, problem: Problem) -> JSONResponse:
    return JSONResponse(problem.model_dump(), status_code=status)


def _of_ours(_request: Request, error: Exception) -> JSONResponse:
    """Every error says itself what it is and how it is answered."""
    assert isinstance(error, UlnaError)
    fields = []
    if isinstance(error, FieldError):
        fields = [FieldProblem(field=error.field, read=str(error.read)[:80], sentence=error.sentence)]
    elif isinstance(error, LengthError):
        fields = [FieldProblem(field="length", read=error.read[:80], sentence=error.sentence)]
    version = error.current.version if isinstance(error, Changed) else None
    problem = Problem(code=error.code, sentence=error.sentence, fields=fields, current_version=version)
    return _answer(error.status, problem)


def _of_request(_request: Request, error: Exception) -> JSONResponse:
    details = error.errors() if isinstance(error, RequestValidationError | ValidationError) else []
    fields = [_field(detail) for detail in details[:50]]
    sentence = "; ".join(f.sentence for f in fields[:3]) or "the request cannot be read"
    return _answer(422, Problem(code="field", sentence=sentence, fields=fields))


def _of_disk(_request: Request, error: Exception) -> JSONResponse:
    words = getattr(error, "strerror", None) or "the disk did not take it"
    return _answer(507, Problem(code="disk", sentence=f"nothing was kept: {words}"))


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
    path = [str(step) for step in detail["loc"] if step not in ("body", "query", "path")]
    field = ".".join(path) or "the request"
    cause = detail.get("ctx", {}).get("error")
    read = detail.get("input")
    shown = "" if isinstance(read, dict | list) or read is None else str(read)[:60]
    if isinstance(cause, UlnaError):
        return FieldProblem(field=field, read=shown, sentence=f"{field}: {cause.sentence}")
    words = str(cause) if cause is not None else detail["msg"][:1].lower() + detail["msg"][1:]
    tail = f", read {shown!r}" if shown else ""
    return FieldProblem(field=field, read=shown, sentence=f"{field}: {words}{tail}")
