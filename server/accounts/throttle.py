"""Pauses between attempts to sign in, longer and longer; django-axes counts the failures.

A failure counts for a name from an address: whoever guesses elsewhere locks nobody out at home. Whoever tries many
names from one address waits, too.
"""

from datetime import timedelta
from ipaddress import ip_address
from typing import Any

from axes.models import AccessAttempt
from django.conf import settings
from django.core.cache import cache
from django.db.models import Max, Sum
from django.http import HttpRequest
from django.utils import timezone

from server.accounts.names import plain_name
from server.kernel.refusals import Paused

# Failures of one name, and of one address with any names, before the first pause.
FREE, FREE_AT_ADDRESS = 5, 50
FIRST_PAUSE_S, LONGEST_PAUSE_S = 15, 15 * 60
_HOUR_S = 3600


def username(request: HttpRequest, credentials: dict[str, Any] | None) -> str:
    """The name that failures are counted under: spelling and capitals make no other."""
    return plain_name(str((credentials or {}).get("username", ""))).casefold()


def address(request: HttpRequest) -> str:
    """Where a request comes from; behind a proxy of ours, what that says."""
    told = request.META.get("HTTP_X_FORWARDED_FOR", "").rsplit(",", 1)[-1].strip() if settings.BEHIND_PROXY else ""
    return told or request.META.get("REMOTE_ADDR", "")


def memory(request: HttpRequest | None = None) -> timedelta:
    """So long after the last of them failures are remembered."""
    return timedelta(days=1)


def _pause_s(failures: int, free: int) -> float:
    return min(LONGEST_PAUSE_S, FIRST_PAUSE_S * 2.0 ** (failures - free)) if failures >= free else 0.0


def wait_s(request: HttpRequest, credentials: dict[str, Any] | None) -> float:
    """Seconds until an attempt counts again; 0 when it does."""
    now, here = timezone.now(), AccessAttempt.objects.filter(ip_address=address(request))
    waits = [0.0]
    of_name = here.filter(username=username(request, credentials))
    for attempts, free, since in (
        (of_name, FREE, now - memory()),
        (here, FREE_AT_ADDRESS, now - timedelta(seconds=_HOUR_S)),
    ):
        told = attempts.filter(attempt_time__gt=since).aggregate(
            failures=Sum("failures_since_start"), last=Max("attempt_time")
        )
        if told["last"]:
            waits.append(_pause_s(told["failures"], free) - (now - told["last"]).total_seconds())
    return max(waits)


def failure_limit(request: HttpRequest, credentials: dict[str, Any] | None) -> int:
    """How many failures django-axes allows just now: none during a pause, any number after it."""
    return 0 if wait_s(request, credentials) > 0 else 1_000_000


def require_few(request: HttpRequest, what: str, most: int) -> None:
    """Raises Paused when one address asked for ``what`` more than ``most`` times in an hour.

    Nobody counts on a site of one's own, which nobody else reaches.
    """
    here = address(request)
    if not settings.BEHIND_PROXY and here and ip_address(here).is_loopback and settings.DEMO_MODE:
        return
    key = f"few {what} {here}".replace(" ", "_")
    cache.add(key, 0, _HOUR_S)
    if cache.incr(key) > most:
        raise Paused(_HOUR_S / 4)
