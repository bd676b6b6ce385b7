"""Documents are made from the core's values: one function makes the model of a dataclass, and nothing is said twice.

A model has the fields, the defaults, the ranges and the words of its value. Lengths are text with their unit; unknown
fields are refused. What goes in and out are the values themselves: `read`, `written`, and `Doc[…]` where a model of the
API holds one.
"""

from __future__ import annotations

import dataclasses
import types
from collections.abc import Callable, Mapping
from dataclasses import MISSING
from enum import Enum
from functools import cache
from typing import Annotated, Any, ClassVar, Literal, TypeVar, Union, get_args, get_origin, get_type_hints

from pydantic import (
    AfterValidator,
    BaseModel,
    BeforeValidator,
    ConfigDict,
    Field,
    GetCoreSchemaHandler,
    GetJsonSchemaHandler,
    PlainSerializer,
    WithJsonSchema,
    create_model,
    model_validator,
)
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema, core_schema, to_json, to_jsonable_python

from ulna.core import measure, ranges
from ulna.core.errors import LengthError
from ulna.core.measure import Length
from ulna.formats.reading import AS_IT_WAS, BESIDE, FIELD_RULES, HOLDS, LISTED, RULES

Value = TypeVar("Value")

ANY_LENGTH = measure.Range("length", -measure.LONGEST * 10, measure.LONGEST * 10)


def _reader(allowed: measure.Range) -> BeforeValidator:
    def read(value: Any) -> Length:
        if isinstance(value, Length):
            return value
        if not isinstance(value, str):
            raise LengthError(str(value), "a length is a text", advice="write for example 4 1/4 in")
        return allowed.check(measure.parse(value), value)

    return BeforeValidator(read)


@cache
def _length(allowed: measure.Range) -> Any:
    schema = {
        "type": "string",
        "description": f"A {allowed.name} from {measure.text(allowed.least)} to {measure.text(allowed.most)}.",
        "examples": ["4 1/4 in", "108 mm"],
    }
    return Annotated[Length, _reader(allowed), PlainSerializer(measure.text, str), WithJsonSchema(schema)]


AnyLength = _length(ANY_LENGTH)
Size = _length(measure.SIZE)
PageSize = _length(measure.PAGE_SIZE)
Gap = _length(measure.GAP)


class Model(BaseModel):
    """A document or part of one, or what goes over the wire. `core` is the value that it is made from."""

    model_config = ConfigDict(
        from_attributes=True,
        extra="forbid",
        arbitrary_types_allowed=True,
        json_schema_serialization_defaults_required=True,
    )
    core: ClassVar[type | None] = None
    names: ClassVar[tuple[str, ...]] = ()
    """The fields of that value."""
    deep: ClassVar[tuple[str, ...]] = ()
    """Those that may hold other models."""


_MADE: dict[tuple[type, ranges.Within | None], type[Model]] = {}


def model_of(value: type[Any], within: ranges.Within | None = None) -> type[Model]:
    """The model of a dataclass; of one that is used for something narrower `within` other ranges. Made once."""
    if (value, within) not in _MADE:
        _MADE[value, within] = _made(value, within)
    return _MADE[value, within]


def _made(value: type[Any], within: ranges.Within | None) -> type[Model]:
    hints = get_type_hints(value, include_extras=True)
    fields: dict[str, Any] = {}
    kind = getattr(value, "kind", None)
    if isinstance(kind, str):
        fields["kind"] = (Literal[kind], ...)
    for one in dataclasses.fields(value):
        hint = HOLDS.get((value, one.name), hints[one.name])
        hint = within.fields.get(one.name, hint) if within else hint
        document = _document(hint)
        if faults := FIELD_RULES.get((value, one.name)):
            document = Annotated[document, AfterValidator(_told_by(faults))]
        fields[one.name] = (document, _default(one, hint))
    for name, (hint, without) in BESIDE.get(value, {}).items() if within is None else ():
        fields[name] = (_document(hint), without)
    made: type[Model] = create_model(
        within.name if within else name_of(value),
        __base__=Model,
        __doc__=value.__doc__ if value.__doc__ and not value.__doc__.startswith(f"{value.__name__}(") else None,
        __module__=value.__module__,
        __validators__=_validators(value, within is not None),
        **fields,
    )
    made.core, made.names = value, tuple(one.name for one in dataclasses.fields(value))
    made.deep = tuple(name for name in made.names if not _is_flat(fields[name][0]))
    return made


def _is_flat(document: Any) -> bool:
    """Whether what a field holds is its own value: no model, no list."""
    origin, args = get_origin(document), get_args(document)
    if origin is Annotated:
        return _is_flat(args[0])
    if origin in (Union, types.UnionType):
        return all(map(_is_flat, args))
    if origin is Literal:
        return True
    return document in (str, int, float, bool, Length, types.NoneType) or (
        isinstance(document, type) and issubclass(document, Enum)
    )


def name_of(value: type) -> str:
    """What its document is called: kinds of part are parts."""
    name = getattr(value, "written_as", value.__name__)
    is_part = isinstance(getattr(value, "level", None), str)
    return f"{name}Part" if is_part and not name.endswith("Part") else name


def _validators(value: type, narrower: bool) -> dict[str, Any]:
    found: dict[str, Any] = {}
    if narrower and value in BESIDE:
        beside = BESIDE[value]

        def without(cls: Any, data: Any) -> Any:
            """What is written beside a value is said again by it: it is not read."""
            return {k: v for k, v in data.items() if k not in beside} if isinstance(data, dict) else data

        found["without_beside"] = model_validator(mode="before")(classmethod(without))  # type: ignore[arg-type]
    if value in AS_IT_WAS:
        earlier = AS_IT_WAS[value]

        def as_it_was(cls: Any, data: Any) -> Any:
            return earlier(data) if isinstance(data, dict) else data

        found["as_it_was"] = model_validator(mode="before")(classmethod(as_it_was))  # type: ignore[arg-type]
    if value in RULES:
        tell = _told_by(RULES[value])

        found["rules"] = model_validator(mode="after")(lambda self: tell(self))
    return found


def _told_by(faults: Callable[[Any], str]) -> Callable[[Value], Value]:
    """Lets a value pass that nothing is wrong with."""

    def check(value: Value) -> Value:
        if told := faults(value):
            raise ValueError(told)
        return value

    return check


def _default(one: dataclasses.Field[Any], hint: Any) -> Any:
    if isinstance(one.default, Length):
        return Field(one.default, json_schema_extra={"default": measure.text(one.default)})
    if one.default is not MISSING:
        return _plain(one.default)
    if one.default_factory is not MISSING:
        return _plain(one.default_factory(), hint)
    return ...


def _plain(value: Any, hint: Any = None) -> Any:
    """A core value as a model holds it."""
    if isinstance(value, tuple):
        return [_plain(one) for one in value]
    if dataclasses.is_dataclass(value) and not isinstance(value, type | Length):
        return _model(type(value), hint).model_validate(value)
    return value


def _model(value: type, hint: Any) -> type[Model]:
    meta = get_args(hint)[1:] if get_origin(hint) is Annotated else ()
    return model_of(value, next((one for one in meta if isinstance(one, ranges.Within)), None))


def _document(hint: Any) -> Any:
    """The type of a field of a document, for the type of a field of a value."""
    origin, args = get_origin(hint), get_args(hint)
    if origin is Annotated:
        return _ranged(args[0], args[1:])
    if hint is Length:
        return AnyLength
    if isinstance(hint, type) and dataclasses.is_dataclass(hint):
        return model_of(hint)
    if origin is tuple and len(args) == 2 and args[1] is Ellipsis:
        return list[_document(args[0])]  # type: ignore[misc]
    if origin is tuple:
        return tuple[tuple(_document(one) for one in args)]  # type: ignore[misc]
    if origin in (dict, Mapping):
        return dict[_document(args[0]), _document(args[1])]  # type: ignore[misc]
    if origin in (Union, types.UnionType):
        return _one_of(args)
    return hint


def _one_of(args: tuple[Any, ...]) -> Any:
    models = [one for one in args if isinstance(getattr(one, "kind", None), str)]
    union: Any = Union[tuple(_document(one) for one in args)]  # noqa: UP007
    return Annotated[union, Field(discriminator="kind")] if len(models) == len(args) > 1 else union


def _ranged(hint: Any, meta: tuple[Any, ...]) -> Any:
    for one in meta:
        match one:
            case measure.Range():
                return _length(one)
            case ranges.Within():
                return model_of(hint, one)
            case ranges.Whole(least, most):
                return Annotated[int, Field(ge=least, le=most)]
            case ranges.Real(least, most, over, stepped):
                return Annotated[float, Field(ge=least, le=most, gt=over, multiple_of=stepped)]
            case ranges.Text(most, least, form):
                return Annotated[str, Field(min_length=least, max_length=most, pattern=form)]
            case ranges.Many(most, least):
                return Annotated[_document(hint), Field(min_length=least, max_length=most)]
            case ranges.Rounded(places):
                return Annotated[_document(hint), AfterValidator(_rounded(places))]
    return _document(hint)


def _rounded(places: int) -> Callable[[Any], Any]:
    return lambda value: [_rounded(places)(v) for v in value] if isinstance(value, list) else _round(value, places)


def _round(value: Any, places: int) -> Any:
    return tuple(round(v, places) for v in value) if isinstance(value, tuple) else round(value, places)


# ---- values in and out -----------------------------------------------------------------------------


def value_of(model: Any) -> Any:
    """The core value that a model is of; what is in lists and mappings too, the rest as it is."""
    if isinstance(model, Model) and model.core is not None:
        held = model.__dict__
        values = {name: held[name] for name in model.names}
        for name in model.deep:
            values[name] = value_of(held[name])
        return model.core(**values)
    if isinstance(model, list | tuple):
        return tuple(value_of(one) for one in model)
    if isinstance(model, dict):
        return {key: value_of(one) for key, one in model.items()}
    return model


def read(kind: type[Value], data: Any) -> Value:
    """The value of a document. Raises `pydantic.ValidationError` with every field that is wrong."""
    value: Value = value_of(model_of(kind).model_validate(data))
    return value


def read_json(kind: type[Value], text: str | bytes) -> Value:
    """The value of a document as text in JSON. Raises `pydantic.ValidationError`."""
    value: Value = value_of(model_of(kind).model_validate_json(text))
    return value


def written(value: Any) -> dict[str, Any]:
    """The document of a value, ready to be kept as JSON."""
    document: dict[str, Any] = to_jsonable_python(plain(value))
    return document


def as_text(value: Any) -> str:
    """The document of a value as a file holds it, a line a field."""
    return to_json(plain(value), indent=2).decode() + "\n"


def plain(value: Any) -> Any:
    """A value as its document has it, in dicts, lists and texts; without its model, since an answer has thousands of
    lengths."""
    kind: Any = type(value)
    return _writer(kind)(value)


@cache
def _writer(kind: Any) -> Callable[[Any], Any]:
    """How values of a type are written: found out once for all of them."""
    if issubclass(kind, Length):
        return measure.text
    if issubclass(kind, tuple):
        return lambda value: [plain(one) for one in value]
    if issubclass(kind, Mapping):
        return lambda value: {key: plain(one) for key, one in value.items()}
    if issubclass(kind, Enum):
        return lambda value: value.value
    return _fields_writer(kind) if dataclasses.is_dataclass(kind) else lambda value: value


def _fields_writer(kind: Any) -> Callable[[Any], dict[str, Any]]:
    begins, fields = dict(_begins(kind)), _written_fields(kind)

    def write(value: Any) -> dict[str, Any]:
        found: dict[str, Any] = dict(begins)
        for name, places in fields:
            one = getattr(value, name)
            found[name] = plain(one) if places is None else _rounded_off(one, places)
        return found

    return write


MOST_WRITTEN = 3_000
"""So many values are kept as they were written: lists are asked for again and again, and values never change."""

_WRITTEN: dict[int, tuple[Any, Any]] = {}


def plain_once(value: Any) -> Any:
    """As `plain`; a value that was written before is not worked out again. Who gets it changes nothing in it."""
    known = _WRITTEN.get(id(value))
    if known is not None and known[0] is value:
        return known[1]
    document = plain(value)
    if type(value) in LISTED:
        if len(_WRITTEN) >= MOST_WRITTEN:
            for old in list(_WRITTEN)[: MOST_WRITTEN // 2]:
                _WRITTEN.pop(old, None)
        _WRITTEN[id(value)] = value, document
    return document


def _begins(kind: type) -> tuple[tuple[str, str], ...]:
    """What a kind of something begins with."""
    known = getattr(kind, "kind", None)
    return (("kind", known),) if isinstance(known, str) else ()


def _written_fields(kind: type) -> tuple[tuple[str, int | None], ...]:
    """The fields of a dataclass and what is written beside them, each with the places that its numbers have."""
    hints = get_type_hints(kind, include_extras=True)
    named = [(one.name, hints[one.name]) for one in dataclasses.fields(kind)]
    named += [(name, hint) for name, (hint, _) in BESIDE.get(kind, {}).items()]
    return tuple((name, _places(hint)) for name, hint in named)


def _places(hint: Any) -> int | None:
    meta = get_args(hint)[1:] if get_origin(hint) is Annotated else ()
    return next((one.places for one in meta if isinstance(one, ranges.Rounded)), None)


def _rounded_off(points: Any, places: int) -> list[list[float]]:
    return [[round(x, places), round(y, places)] for x, y in points]


def held(value: Value) -> Value:
    """The same value, held to what its document may be. Raises `pydantic.ValidationError`."""
    return read(type(value), written(value))


class _Document:
    """Pydantic reads a core value through its model, and writes it as its document."""

    def __get_pydantic_core_schema__(self, source: Any, handler: GetCoreSchemaHandler) -> CoreSchema:
        return core_schema.no_info_wrap_validator_function(
            lambda value, validate: value if _is_value(value) else value_of(validate(value)),
            handler.generate_schema(_document(source)),
            serialization=core_schema.plain_serializer_function_ser_schema(plain_once),
        )

    def __get_pydantic_json_schema__(self, schema: CoreSchema, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        read: Any = {key: part for key, part in schema.items() if key != "serialization"}
        return handler(read)


def _is_value(value: Any) -> bool:
    return dataclasses.is_dataclass(value) and not isinstance(value, type)


Doc = Annotated[Value, _Document()]
"""`Doc[PagePlan]` in a model of the API is a core value, read and written as its document."""
