"""The OpenAPI description, with every way in which an operation can fail: the client's types come from it."""

from typing import Any

from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

from server.kernel.errors import ProblemDetail

# By status, in words.
_SAYS = {
    400: "The request is not written as agreed.",
    401: "No one is signed in.",
    403: "The request does not carry its CSRF token, or a link does not let its guest do this.",
    404: "There is no such document among the owner's, or this is not offered here.",
    409: "The document was changed elsewhere meanwhile, or something still refers to it.",
    413: "More was sent than is read.",
    422: "The request breaks a rule.",
    503: "The server's data cannot be read or written just now.",
    429: "Too many attempts; Retry-After says when the next one counts.",
}
# Of an operation that only so many attempts are let through to.
LIMITED_ATTEMPTS = {"x-limited-attempts": True}
_UNSAFE = ("post", "put", "delete")


def statuses(method: str, operation: dict[str, Any], schemas: dict[str, Any]) -> list[int]:
    """With which statuses an operation can fail, by what it takes."""
    sent = _properties(operation, schemas)
    named = any(parameter["in"] == "path" for parameter in operation.get("parameters", ()))
    body = "requestBody" in operation
    may = {
        400: body,
        401: "security" in operation or method in _UNSAFE,
        # A guest's link may not let them.
        403: method in _UNSAFE or "security" in operation,
        # A body may name what is not there; the demo is not there outside of demo mode.
        404: named or method == "post",
        409: method == "delete" or bool({"version", "remove"} & sent),
        413: body,
        422: body or bool(operation.get("parameters")),
        503: True,
        429: LIMITED_ATTEMPTS.items() <= operation.items(),
    }
    return [status for status, applies in may.items() if applies]


def _properties(operation: dict[str, Any], schemas: dict[str, Any]) -> set[str]:
    found: set[str] = set()
    for kind in operation.get("requestBody", {}).get("content", {}).values():
        name = kind["schema"].get("$ref", "").rsplit("/", 1)[-1]
        found |= set(schemas.get(name, kind["schema"]).get("properties", ()))
    return found


class DescribedAPI(NinjaAPI):
    """An API whose description says how each operation can fail."""

    def get_openapi_schema(self, **more: Any) -> OpenAPISchema:
        """The description, with ProblemDetail under every status of failure."""
        told = super().get_openapi_schema(**more)
        schemas = told["components"]["schemas"]
        detail = ProblemDetail.model_json_schema(ref_template="#/components/schemas/{model}")
        schemas |= detail.pop("$defs") | {"ProblemDetail": detail}
        answer = {"application/problem+json": {"schema": {"$ref": "#/components/schemas/ProblemDetail"}}}
        for methods in told["paths"].values():
            for method, operation in methods.items():
                failures = statuses(method, operation, schemas)
                operation["responses"] |= {s: {"description": _SAYS[s], "content": answer} for s in failures}
        return told
