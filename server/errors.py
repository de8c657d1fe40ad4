"""One place where errors become answers: problem+json with the field, the value and the rule."""

from collections.abc import Sequence
from typing import Any

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError

from mule.errors import InvalidInput, Problem, plain_path, rule_of, shorten


class NotFound(Exception):
    """There is no such document among the owner's."""

    def __init__(self, what: str, id_: str) -> None:
        self.problem = Problem("id", shorten(id_), f"the id of a {what} of yours")
        super().__init__(f"There is no {what} “{shorten(id_)}” here.")


class Stale(Exception):
    """The document was changed elsewhere since the writer read it; ``current`` is what is stored now."""

    def __init__(self, what: str, sent: int, stored: int, current: Any) -> None:
        self.problem = Problem("version", str(sent), f"{stored}, the version stored now")
        self.current = current
        super().__init__(f"This {what} was changed somewhere else in the meantime.")


class InUse(Exception):
    """The document cannot go while others refer to it."""

    def __init__(self, title: str, problem: Problem) -> None:
        self.problem = problem
        super().__init__(title)


class TooLarge(Exception):
    """More bytes were sent than are read."""

    def __init__(self, most_bytes: int) -> None:
        self.most_bytes = most_bytes
        super().__init__("This file is too large.")


class FieldProblem(Schema):
    """What is wrong at one place: the field's path, what was sent there, and the rule it breaks."""

    field: str
    value: str
    rule: str


class ProblemDetail(Schema):
    """Why something cannot be done (RFC 9457). current: what is stored now, where a change came too late."""

    type: str
    title: str
    status: int
    errors: list[FieldProblem]
    current: dict[str, Any] | list[Any] | None = None


def problem_response(status: int, title: str, problems: Sequence[Problem] = (), current: Any = None) -> HttpResponse:
    """An application/problem+json answer; ``errors`` lists field, value and rule of each problem."""
    errors = [FieldProblem(field=p.field, value=p.value, rule=p.rule) for p in problems]
    detail = ProblemDetail(type="about:blank", title=title, status=status, errors=errors, current=current)
    body = detail.model_dump(exclude={"current"} if current is None else None)
    return JsonResponse(body, status=status, content_type="application/problem+json")


def _too_large(request: HttpRequest, most_bytes: int) -> HttpResponse:
    sent = request.headers.get("Content-Length", "")
    rule = f"at most {most_bytes:,} bytes"
    return problem_response(413, "This file is too large.", [Problem("", f"{sent} bytes", rule)])


# The one document that a payload wraps: its own fields are what a person typed.
_WRAPPED = ("thing", "carrier", "trip")


def _from_ninja(error: ValidationError) -> list[Problem]:
    problems = []
    for item in error.errors:
        # ("body", "payload", "thing", "lens", "mass_g"): where it lay in the request, then what was typed.
        location = list(item["loc"][2:])
        root = location.pop(0) if location and location[0] in _WRAPPED else ""
        problems.append(Problem(plain_path(location, root), shorten(item.get("input", "")), rule_of(item)))
    return problems


def install(api: NinjaAPI) -> None:
    """Teaches the API how every error of ours and of the framework is answered."""

    @api.exception_handler(InvalidInput)
    def _invalid(request: HttpRequest, error: InvalidInput) -> HttpResponse:
        return problem_response(422, "This cannot be used as it is.", error.problems)

    @api.exception_handler(ValidationError)
    def _validation(request: HttpRequest, error: ValidationError) -> HttpResponse:
        return problem_response(422, "This cannot be used as it is.", _from_ninja(error))

    @api.exception_handler(NotFound)
    def _not_found(request: HttpRequest, error: NotFound) -> HttpResponse:
        return problem_response(404, str(error), [error.problem])

    @api.exception_handler(Stale)
    def _stale(request: HttpRequest, error: Stale) -> HttpResponse:
        return problem_response(409, str(error), [error.problem], error.current)

    @api.exception_handler(InUse)
    def _in_use(request: HttpRequest, error: InUse) -> HttpResponse:
        return problem_response(409, str(error), [error.problem])

    @api.exception_handler(AuthenticationError)
    def _unknown(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
        return problem_response(401, "Sign in first.")

    @api.exception_handler(RequestDataTooBig)
    def _too_big(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
        return _too_large(request, settings.DATA_UPLOAD_MAX_MEMORY_SIZE)

    @api.exception_handler(TooLarge)
    def _larger(request: HttpRequest, error: TooLarge) -> HttpResponse:
        return _too_large(request, error.most_bytes)

    @api.exception_handler(Http404)
    def _no_path(request: HttpRequest, error: Http404) -> HttpResponse:
        return problem_response(404, "There is nothing at this address.")

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
        return problem_response(error.status_code, str(error))
