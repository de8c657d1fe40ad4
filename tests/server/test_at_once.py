"""Several writers at once: exactly one wins, nothing is half done. Runs on a real SQLite file."""

from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import connection

from mule.plan import Plan
from server.exchange.services import import_plan
from server.library.locker import services as locker
from server.trips.models import Kit, KitStep
from tests import cast
from tests.server.conftest import asker, make_user

pytestmark = pytest.mark.django_db(transaction=True)
WRITERS = 6


def at_once(run: Any) -> list[Any]:
    """``run(i)`` for several i at the same time, each on a connection of its own."""

    def alone(i: int) -> Any:
        try:
            return run(i)
        finally:
            connection.close()

    with ThreadPoolExecutor(WRITERS) as pool:
        return list(pool.map(alone, range(WRITERS)))


def test_of_several_edits_from_one_version_exactly_one_is_taken(plan: Plan) -> None:
    owner = make_user("Ines")
    import_plan(owner, plan)

    def edit(i: int) -> int:
        body = {"version": 1, "edits": [{"act": "load", "item": "pack", "count": 1}]}
        code: int = asker(User.objects.get(pk=owner.pk))("post", "/trips/trip/kits/a/edits", body).status_code
        return code

    codes = at_once(edit)
    assert sorted(codes) == [200, *[409] * (WRITERS - 1)]
    kit = Kit.objects.get()
    assert kit.version == 2
    assert KitStep.objects.filter(kit=kit).count() == 1
    assert sum(e["count"] for e in kit.entries if e["item"] == "pack") == 1


def test_things_added_at_once_get_ids_of_their_own() -> None:
    owner = make_user("Ines")
    made = at_once(lambda i: locker.add(owner, cast.normal_zoom()).slug)
    assert len(set(made)) == WRITERS
