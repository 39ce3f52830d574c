"""Bodies that are read only once it is known who sends them, and not by the thread that answers
all: who may not send is refused before anything of it is taken in."""

from typing import Any, TypeVar

from fastapi import FastAPI, HTTPException, Request
from fastapi.exceptions import RequestValidationError
from pydantic import BaseModel, ValidationError
from starlette.requests import ClientDisconnect

Body = TypeVar("Body", bound=BaseModel)

_REF = "#/components/schemas/{model}"


async def raw_body(request: Request) -> bytes:
    """All that is sent; HTTPException where who sends it goes before the end."""
    try:
        return await request.body()
    except ClientDisconnect as error:
        raise HTTPException(400, "this ended before all of it had come; send it again") from error


def read(model: type[Body], raw: bytes) -> Body:
    """A body as it was sent; raises RequestValidationError with the places of its faults."""
    try:
        return model.model_validate_json(raw)
    except ValidationError as error:
        faults = error.errors(include_url=False, include_input=False, include_context=False)
        raise RequestValidationError(
            [{**fault, "loc": ("body", *fault["loc"])} for fault in faults]
        ) from error


def in_document(model: type[BaseModel]) -> dict[str, Any]:
    """For the OpenAPI document: that such a body is sent."""
    schema = {"$ref": _REF.format(model=model.__name__)}
    content = {"application/json": {"schema": schema}}
    return {"requestBody": {"required": True, "content": content}}


def describe(app: FastAPI, *models: type[BaseModel]) -> None:
    """Puts bodies that are read later into the application's document."""
    made = app.openapi

    def openapi() -> dict[str, Any]:
        document = made()
        for model in models:
            schema = model.model_json_schema(ref_template=_REF)
            known = document["components"]["schemas"]
            known.update({**schema.pop("$defs", {}), **known, model.__name__: schema})
        return document

    app.openapi = openapi  # type: ignore[method-assign]  # so FastAPI's own documentation has it
