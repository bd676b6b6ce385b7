"""What all documents share: lengths as text a person can read, and a core value behind every model.

A model has the same field names as its core value, so reading one from the other needs no mapping code.
"""

from __future__ import annotations

import dataclasses
from enum import Enum
from typing import Annotated, Any, ClassVar, Self

from pydantic import BaseModel, BeforeValidator, ConfigDict, PlainSerializer, WithJsonSchema

from ulna.core import measure
from ulna.core.errors import LengthError
from ulna.core.measure import Length


def _reader(allowed: measure.Range) -> BeforeValidator:
    def read(value: Any) -> Length:
        if isinstance(value, Length):
            return value
        if not isinstance(value, str):
            raise LengthError(str(value), "a length is a text", advice="write for example 4 1/4 in")
        return allowed.check(measure.parse(value), value)

    return BeforeValidator(read)


def _length(allowed: measure.Range) -> Any:
    schema = {
        "type": "string",
        "description": f"A {allowed.name} from {measure.text(allowed.least)} to {measure.text(allowed.most)}.",
        "examples": ["4 1/4 in", "108 mm"],
    }
    return Annotated[Length, _reader(allowed), PlainSerializer(measure.text, str), WithJsonSchema(schema)]


Size = _length(measure.SIZE)
PageSize = _length(measure.PAGE_SIZE)
Gap = _length(measure.GAP)
Supply = _length(measure.SUPPLY)
Offset = _length(measure.OFFSET)
AnyLength = _length(measure.Range("length", -measure.LONGEST * 10, measure.LONGEST * 10))


class Model(BaseModel):
    """A document or part of one. `core` is the value it stands for; unknown fields are refused."""

    model_config = ConfigDict(
        from_attributes=True,
        extra="forbid",
        arbitrary_types_allowed=True,
        json_schema_serialization_defaults_required=True,
    )
    core: ClassVar[type | None] = None

    def value(self) -> Any:
        """The core value of this document."""
        if self.core is None:
            raise TypeError(f"{type(self).__name__} stands for no core value")
        return self.core(**{f.name: _core(getattr(self, f.name)) for f in dataclasses.fields(self.core)})

    @classmethod
    def from_value(cls, value: Any) -> Self:
        """The document of a core value."""
        return cls.model_validate(value)


def _core(value: Any) -> Any:
    if isinstance(value, Model):
        return value.value()
    if isinstance(value, list | tuple):
        return tuple(_core(v) for v in value)
    return value.value if isinstance(value, Enum) and not isinstance(value, str) else value
