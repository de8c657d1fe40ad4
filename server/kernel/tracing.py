"""Traces of what goes wrong: each request has an id, which the answer tells and the log knows. Answers of the API are
nobody's to keep.

The log has lines of JSON: when, which id, what sort of request (the pattern of its address: no names, no ids of things,
no bodies), how it ended and how long it took; with a traceback where something broke.
"""

import json
import logging
from collections.abc import Callable
from datetime import UTC, datetime
from time import perf_counter
from traceback import format_tb
from uuid import uuid4

from django.conf import settings
from django.http import HttpRequest, HttpResponseBase
from django.utils.cache import patch_vary_headers

from server.kernel.headers import ACCOUNT_HEADER, SHARE_HEADER

LOG = logging.getLogger("server.requests")
_FIELDS = ("request", "method", "route", "status", "ms")


class JsonLines(logging.Formatter):
    """A line of JSON for each record."""

    def format(self, record: logging.LogRecord) -> str:
        """What is known of it, and nothing that a person typed."""
        told = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname.lower(),
            "what": record.getMessage(),
            **{name: getattr(record, name) for name in _FIELDS if hasattr(record, name)},
        }
        if record.exc_info:
            kind, _, place = record.exc_info
            # Where it broke, not what with: messages of errors repeat what was sent.
            told["error"] = kind.__name__ if kind else ""
            told["traceback"] = "".join(format_tb(place))
        return json.dumps(told)


def trace(get_response: Callable[[HttpRequest], HttpResponseBase]) -> Callable[[HttpRequest], HttpResponseBase]:
    """Middleware: an id for each request, a line for what is slow or broken, no keeping of private answers."""

    def traced(request: HttpRequest) -> HttpResponseBase:
        request.trace_id = uuid4().hex[:12]  # type: ignore[attr-defined]
        begun = perf_counter()
        response = get_response(request)
        ms = round(1000 * (perf_counter() - begun))
        if response.status_code >= 500:
            tell(request, logging.ERROR, "failed", response.status_code, ms)
        elif ms >= settings.SLOW_MS:
            tell(request, logging.WARNING, "slow", response.status_code, ms)
        response["X-Request-Id"] = request.trace_id  # type: ignore[attr-defined]
        if request.path.startswith("/api/") and not response.has_header("Cache-Control"):
            response["Cache-Control"] = "no-store"
        if request.path.startswith("/api/"):
            # What the service worker keeps for one account is no answer for another's page.
            patch_vary_headers(response, [ACCOUNT_HEADER, SHARE_HEADER])
        response.setdefault("Permissions-Policy", settings.PERMISSIONS_POLICY)
        return response

    return traced


def tell(
    request: HttpRequest, level: int, what: str, status: int, ms: int = 0, error: BaseException | None = None
) -> None:
    """Writes a line about a request. error: whose traceback is told."""
    match = request.resolver_match
    extra = {
        "request": getattr(request, "trace_id", ""),
        "method": request.method,
        "route": match.route if match else "",
        "status": status,
        "ms": ms,
    }
    LOG.log(level, what, extra=extra, exc_info=error)
