"""One place where errors become answers: problem+json with the field, the value and the rule."""

from collections.abc import Sequence
from logging import ERROR
from typing import Any

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.db import DatabaseError, DataError, IntegrityError, ProgrammingError
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError

from mule.base.errors import InvalidInput, Problem, plain_path, rule_of, shorten
from server.kernel.refusals import OtherAccount, Paused, TooBusy
from server.kernel.tracing import tell
from server.kernel.unusable import ails


class NotFound(Exception):
    """There is no such document among the owner's."""

    def __init__(self, what: str, id_: str) -> None:
        self.problem = Problem("id", shorten(id_), f"must be a {what} of yours")
        super().__init__(f"There is no {what} “{shorten(id_)}” here.")


class Stale(Exception):
    """The document was changed elsewhere since the writer read it; ``current`` is what is stored now."""

    def __init__(self, what: str, sent: int, stored: int, current: Any) -> None:
        self.problem = Problem("version", str(sent), f"version {stored} is stored now")
        self.current = current
        super().__init__(f"This {what} was changed somewhere else meanwhile.")


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

    @api.exception_handler(Exception)
    def _broken(request: HttpRequest, error: Exception) -> HttpResponse:
        tell(request, ERROR, "broke", 500, error=error)
        number = getattr(request, "trace_id", "")
        return problem_response(500, f"Something went wrong on the server. Its log has the details under {number}.")

    @api.exception_handler(DatabaseError)
    def _no_data(request: HttpRequest, error: DatabaseError) -> HttpResponse:
        if isinstance(error, IntegrityError | DataError | ProgrammingError):
            # The database is well: what it was asked is not.
            return _broken(request, error)
        what = ails(error)
        tell(request, ERROR, str(what), 503, error=error)
        return problem_response(503, f"{what.said} Nothing was saved. The server’s log says what to do.")

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

    @api.exception_handler(OtherAccount)
    def _other(request: HttpRequest, error: OtherAccount) -> HttpResponse:
        response = problem_response(401, "Somebody else has signed in here meanwhile.")
        response["X-Other-Account"] = "yes"
        return response

    @api.exception_handler(Paused)
    def _paused(request: HttpRequest, error: Paused) -> HttpResponse:
        response = problem_response(429, str(error))
        response["Retry-After"] = str(error.wait_s)
        return response

    @api.exception_handler(TooBusy)
    def _busy(request: HttpRequest, error: TooBusy) -> HttpResponse:
        response = problem_response(429, "Many people sign in just now. Try again in a moment.")
        response["Retry-After"] = "5"
        return response

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
