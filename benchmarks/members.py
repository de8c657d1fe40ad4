"""A site with a thousand members: how it starts, answers clicks, and gives everything out."""

import json
import os
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from random import Random
from tempfile import TemporaryDirectory
from time import perf_counter, sleep

from benchmarks.client import Client, Toggle
from benchmarks.lockers import plan
from benchmarks.timing import p50, p95, samples_ms
from server.exchange.services import import_plan
from server.ops.demo.services import copy_world
from tests.site import ROOT, served

MEMBERS, THINGS, TRIPS = 1000, 100, 5
_AT_WORK, _CLICKS, _PAUSE_S = 5, 40, 1.0
_PASSWORD = "a long password"


def fill() -> None:
    """Members with a locker and trips each, straight into the database."""
    # Models come once Django is set up, with the settings of the site that is filled.
    from django.contrib.auth.models import User  # noqa: PLC0415

    first = User.objects.create_user("Member 0", password=_PASSWORD)
    made = plan(THINGS)
    for number in range(TRIPS):
        import_plan(first, made.with_trip(made.trip.model_copy(update={"name": f"Trip {number}"})))
    users = [User(username=f"Member {n}", password=first.password) for n in range(1, MEMBERS)]
    for user in User.objects.bulk_create(users):
        copy_world(first, user)


class _Member:
    """One who clicks on the bench now and then, as people do."""

    def __init__(self, site: str, number: int) -> None:
        self._client, self._chance = Client(site), Random(number)
        body = {"name": f"Member {number}", "password": _PASSWORD}
        self._client.ask("POST", "/api/session/sign-in", body)
        trip = json.loads(self._client.ask("GET", "/api/trips"))[0]["trip"]["id"]
        kit = f"/api/trips/{trip}/kits/a"
        bench = json.loads(self._client.ask("GET", kit))
        loaded = {entry["item"] for entry in bench["state"]["kit"]["entries"]}
        things = [row["thing"] for row in bench["gear"]]
        lens = next(t["id"] for t in things if t["kind"] == "lens" and t["id"] not in loaded)
        self._toggle = Toggle(self._client, kit, lens)

    def click(self) -> list[float]:
        """Loads and leaves a thing; milliseconds of each answer."""
        taken = []
        for _ in range(_CLICKS):
            sleep(_PAUSE_S * self._chance.random())
            taken += samples_ms(self._toggle, 1, warm=0)
        return taken[2:]

    def archive(self) -> tuple[float, int]:
        """Seconds until everything is out, and its bytes."""
        begun = perf_counter()
        raw = self._client.ask("GET", "/api/exchange/account.zip")
        return perf_counter() - begun, len(raw)


def bench_members() -> dict[str, float]:
    """Start, clicks of five members at work, and the archive of one, with all the others' rows beside."""
    with TemporaryDirectory() as folder:
        env = {**os.environ, "DATA_DIR": folder, "DJANGO_SETTINGS_MODULE": "server.settings.demo"}
        for code in (["migrate", "-v0"], ["shell", "-v0", "-c", "from benchmarks.members import fill; fill()"]):
            subprocess.run([sys.executable, "manage.py", *code], cwd=ROOT, env=env, check=True)
        begun = perf_counter()
        with served(data=Path(folder)) as site:
            started = perf_counter() - begun
            members = [_Member(site, 7 + 190 * n) for n in range(_AT_WORK)]
            with ThreadPoolExecutor(_AT_WORK) as threads:
                taken = [ms for each in threads.map(_Member.click, members) for ms in each]
            archive_s, size = members[0].archive()
        database = sum(file.stat().st_size for file in Path(folder).glob("*.sqlite3"))
    return {
        "start_s": round(started, 2),
        "click_p50_ms": p50(taken),
        "click_p95_ms": p95(taken),
        "archive_s": round(archive_s, 2),
        "archive_kib": round(size / 1024),
        "database_mib": round(database / 2**20),
    }
