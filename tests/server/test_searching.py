"""Searches in worker processes: turns, parcels, hanging up, workers that die, schedulers elsewhere."""

import json
import os
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path
from threading import Event
from types import SimpleNamespace
from typing import Any

import pytest

from mule.findings.shopping import shopping_list
from mule.plan import Plan
from server.searching.ahead import Ahead
from server.searching.answers import AHEAD, Question, found, lines_of
from server.searching.engine import ENGINE, Engine, NoWorkers
from server.searching.jobs import WANTED, Answering, Curing, Lane, ShouldStop, Tell, shopping
from server.searching.parcels import packed_up, unpacked
from server.searching.turns import Changes, Turns
from tests import cast


def plan_with(*more: Any) -> Plan:
    return cast.plan([cast.bag(), cast.body(), *more], cast.entry("bag", cast.INES_CABIN), cast.entry("body"))


@dataclass(frozen=True)
class Waiting:
    """A job that tells which process does it, and goes on until nobody waits; it notes that in a file.

    sooner: whether it ends by itself when it is begun again.
    """

    plan: Plan
    noted: Path
    sooner: bool = False
    lane: Lane = "long"

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        begun = self.noted.exists()
        self.noted.write_text("at work")
        tell(f"by {os.getpid()}")
        until = time.monotonic() + (0 if self.sooner and begun else 30)
        while time.monotonic() < until and not should_stop():
            time.sleep(0.01)
        self.noted.write_text("stopped" if should_stop() else "over")
        tell("over")


@dataclass(frozen=True)
class Failing:
    """A job that cannot be done."""

    plan: Plan
    lane: Lane = "short"

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        raise ValueError("no such thing")


def heard(lines: Iterator[str], start: str) -> str:
    """The first line that starts so."""
    return next(line for line in lines if line.startswith(start))


def soon(path: Path, text: str) -> float:
    """Seconds until a file says something; at most ten."""
    begun = time.monotonic()
    while path.read_text() != text:
        assert time.monotonic() < begun + 10, path.read_text()
        time.sleep(0.005)
    return time.monotonic() - begun


def test_a_search_runs_in_another_process_and_hanging_up_ends_it(tmp_path: Path) -> None:
    lines = lines_of(Waiting(plan_with(), tmp_path / "noted"), Question("ines", "wait"))
    assert int(heard(lines, "by ").split()[1]) != os.getpid()
    lines.close()
    soon(tmp_path / "noted", "stopped")


def test_an_error_comes_out_where_the_search_was_asked_for() -> None:
    with pytest.raises(ValueError, match="no such thing"):
        found(Failing(plan_with()), "ines")


def test_a_newer_search_of_a_kind_takes_the_place_of_the_one_before(tmp_path: Path) -> None:
    older = lines_of(Waiting(plan_with(), tmp_path / "older"), Question("ines", "wait"))
    heard(older, "by ")
    newer = lines_of(Waiting(plan_with(), tmp_path / "newer"), Question("ines", "wait"))
    heard(newer, "by ")
    assert [line for line in older if line] == ['{"replaced":true}']
    soon(tmp_path / "older", "stopped")
    newer.close()


def test_who_waits_is_told_how_many_come_before(tmp_path: Path) -> None:
    places = ENGINE.places()
    on = [lines_of(Waiting(plan_with(), tmp_path / f"{n}"), Question(f"owner {n}", "wait")) for n in range(places)]
    for lines in on:
        heard(lines, "by ")
    first = lines_of(Waiting(plan_with(), tmp_path / "first"), Question("one more", "wait"))
    second = lines_of(Waiting(plan_with(), tmp_path / "second"), Question("and one", "wait"))
    assert (next(first), next(second)) == ('{"ahead":0}', '{"ahead":1}')
    on[0].close()
    heard(first, "by ")
    assert heard(second, "{") == '{"ahead":0}'
    for lines in [*on[1:], first, second]:
        lines.close()


def begun_ahead(noted: Path, owner: str, about: str) -> None:
    AHEAD.begin(Waiting(plan_with(), noted), owner, "ahead", about)
    until = time.monotonic() + 10
    while not noted.exists():
        assert time.monotonic() < until
        time.sleep(0.01)


def test_what_was_begun_ahead_is_listened_to_by_who_asks_for_it(tmp_path: Path) -> None:
    begun_ahead(tmp_path / "noted", "ines", f"this of {tmp_path}")
    asked = lines_of(Waiting(plan_with(), tmp_path / "again"), Question("ines", "ahead", about=f"this of {tmp_path}"))
    heard(asked, "by ")
    assert not (tmp_path / "again").exists()
    asked.close()
    soon(tmp_path / "noted", "stopped")


def test_what_was_begun_ahead_about_something_else_is_let_go(tmp_path: Path) -> None:
    begun_ahead(tmp_path / "noted", "ines", f"this of {tmp_path}")
    asked = lines_of(Waiting(plan_with(), tmp_path / "other"), Question("ines", "ahead", about="that"))
    heard(asked, "by ")
    soon(tmp_path / "noted", "stopped")
    assert (tmp_path / "other").read_text() == "at work"
    asked.close()


def test_what_was_begun_ahead_and_nobody_asks_for_is_let_go(tmp_path: Path) -> None:
    begun_ahead(tmp_path / "noted", "ines", f"this of {tmp_path}")
    soon(tmp_path / "noted", "stopped")


def test_what_would_be_begun_ahead_too_late_disturbs_nobody(tmp_path: Path) -> None:
    asked = lines_of(Waiting(plan_with(), tmp_path / "asked"), Question("ines", "ahead", about=f"this of {tmp_path}"))
    heard(asked, "by ")
    AHEAD.begin(Waiting(plan_with(), tmp_path / "late"), "ines", "ahead", f"this of {tmp_path}")
    # One after the other: when this one is at work, the other had its chance.
    begun_ahead(tmp_path / "next", "marit", f"next of {tmp_path}")
    assert not (tmp_path / "late").exists()
    assert next(asked) == ""
    asked.close()


def slow_to_begin(ahead: Ahead) -> Event:
    """Holds up what is to be begun ahead, as a busy machine does, until the event is set."""
    go = Event()
    ahead._beside.submit(go.wait)
    return go


def test_what_would_be_begun_ahead_of_an_older_question_takes_no_newer_ones_place() -> None:
    begun: list[Any] = []
    engine: Any = SimpleNamespace(begin=lambda *_: begun.append(_))
    turns = Turns(lambda: 2)
    ahead = Ahead(turns, engine)
    go = slow_to_begin(ahead)
    ahead.begin(Waiting(plan_with(), Path()), "ines", "cures", "first click")
    ahead.begin(Waiting(plan_with(), Path()), "ines", "cures", "second click")
    # The screen asks about the second click before either could be begun.
    assert ahead.take("ines", "cures", "second click") is None
    turn = turns.take("long", "ines", "cures")
    go.set()
    ahead._beside.shutdown()
    assert (begun, turn.on, turn.replaced) == ([], True, False)


def test_what_cannot_be_begun_ahead_leaves_room_for_others() -> None:
    def begin(*_: object) -> None:
        raise NoWorkers("none")

    engine: Any = SimpleNamespace(begin=begin)
    turns = Turns(lambda: 1)
    ahead = Ahead(turns, engine)
    ahead.begin(Waiting(plan_with(), Path()), "ines", "cures", "a click")
    ahead._beside.shutdown()
    assert turns.take("long", "jonas", "cures").on


def test_two_who_wait_for_the_same_answer_both_get_it() -> None:
    plan = plan_with()
    with ThreadPoolExecutor(2) as threads:
        told = list(threads.map(lambda _: found(Answering(plan, shopping), "ines"), range(2)))
    assert told[0] == told[1] == WANTED.dump_json(list(shopping_list(plan))).decode()


def test_owners_take_turns() -> None:
    turns = Turns(lambda: 1)
    at_work = turns.take("long", "greedy", 0)
    waiting = [turns.take("long", "greedy", n) for n in range(1, 4)]
    other = turns.take("long", "other", 0)
    lane = turns.take("click", "greedy", "cures")
    assert (at_work.on, other.on, other.ahead, [turn.ahead for turn in waiting]) == (True, False, 0, [1, 2, 3])
    assert lane.on, "lanes do not wait for each other"
    at_work.over()
    assert other.on
    other.over()
    other.over()
    assert [turn.on for turn in waiting] == [True, False, False]


def test_changes_are_told_apart_by_what_they_are_about() -> None:
    changes = Changes()
    of_a, of_b = changes.since_now("a"), changes.since_now("b")
    changes.note("a")
    assert (of_a(), of_b(), changes.since_now("a")()) == (True, False, False)


def test_a_worker_knows_a_locker_and_its_things_again() -> None:
    plan = plan_with(cast.lens("tele", 70, 200, 4))
    first, second = (unpacked(packed_up(Curing(of))).plan for of in (plan, plan.with_kit(plan.kit)))
    assert first == plan
    assert first.gear is second.gear
    assert first.trip is second.trip
    assert first.items["tele"] is second.items["tele"] is second.gear[2]
    other = unpacked(packed_up(Curing(plan_with(cast.lens("tele", 70, 300, 4))))).plan
    assert other.gear is not first.gear
    assert other == plan_with(cast.lens("tele", 70, 300, 4))


def beside(command: list[str]) -> "subprocess.Popen[bytes]":
    root = Path(__file__).parents[2]
    return subprocess.Popen(command, cwd=root, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)


@pytest.fixture
def elsewhere(settings: Any, tmp_path: Path) -> Iterator[list["subprocess.Popen[bytes]"]]:
    """A scheduler and two workers as processes of their own; the workers."""
    where = tmp_path / "scheduler.json"
    scheduler = [sys.executable, "-c", "from distributed.cli.dask_scheduler import main; main()"]
    worker = [sys.executable, "-c", "from distributed.cli.dask_worker import main; main()"]
    there = ["--host", "127.0.0.1", "--port", "0", "--no-dashboard", "--scheduler-file", str(where)]
    lanes = ["--nthreads", "3", "--resources", "long=1 short=1 click=1", "--preload", "server.searching.worker"]
    started = [beside([*scheduler, *there])]
    workers = [beside([*worker, "--scheduler-file", str(where), "--no-nanny", "--no-dashboard", *lanes]) for _ in "ab"]
    until = time.monotonic() + 30
    while not where.exists() or not where.read_text().endswith("}"):
        assert time.monotonic() < until
        time.sleep(0.05)
    settings.SEARCH_WORKERS = json.loads(where.read_text())["address"]
    yield workers
    for process in [*workers, *started]:
        process.kill()
        process.wait()


def test_workers_may_be_elsewhere_and_die(elsewhere: list["subprocess.Popen[bytes]"], tmp_path: Path) -> None:
    engine = Engine()
    until = time.monotonic() + 30
    while engine.places() < 2:
        assert time.monotonic() < until
        time.sleep(0.2)
    running = engine.begin(Waiting(plan_with(), tmp_path / "noted", sooner=True))
    while not (line := running.next(1)):
        pass
    victim = int(str(line).split()[1])
    assert victim in {worker.pid for worker in elsewhere}
    os.kill(victim, signal.SIGKILL)
    told = []
    while (line := running.next(1)) is not None:
        told.append(line)
    running.end()
    assert told[-1] == "over"
    assert not any(f"by {victim}" in line for line in told)
    engine.close()


def test_nobody_at_an_address_is_said(settings: Any) -> None:
    settings.SEARCH_WORKERS = "tcp://127.0.0.1:9"
    with pytest.raises(NoWorkers, match=r"127\.0\.0\.1:9"):
        Engine().client()
