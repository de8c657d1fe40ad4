"""Marks that say how tests may run together: with ``--dist loadgroup`` tests of one group run one after the other."""

import os
from collections.abc import Iterator

import pytest
from hypothesis import settings

from mule.base.deadline import WorkClock, measured_by

# How long a test takes is no part of what it says: on a busy machine what takes a moment may take a second.
settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")

# Where other work has both processors, a search that stood back for all of it would not come to its end.
os.environ.setdefault("SEARCH_NICE", "0")
# Searches in processes of their own are measured by work, too, as those of the tests are (below).
os.environ.setdefault("SEARCHES_BY_WORK", "1")

# Searches held against trying everything, fixes tried on many kits: minutes, where the others take moments.
ORACLES = {
    "bag_sets",
    "cells",
    "choosing",
    "choosing_lightest",
    "choosing_room",
    "cures",
    "lasting",
    "ledger",
    "outings",
    "outings_proposed",
    "packing",
    "power",
    "reference",
    "shopping",
    "split",
    "suggest",
}
# Their searches run in processes of their own, by the clock: never two of these beside each other.
BY_THE_CLOCK = {
    "server": {"bags", "choice", "field", "foam", "lines", "paper", "searching", "stow"},
    "journeys": {"choice", "gate", "stow"},
}


@pytest.fixture(scope="session", autouse=True)
def _searches_are_measured_by_work() -> Iterator[None]:
    """A search gets so much work, not so many seconds: it says the same on every machine, however busy."""
    with measured_by(WorkClock()):
        yield


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """``journey``: with a browser. ``oracle``: against trying everything. Tests of one group take turns."""
    for item in items:
        floor, name = item.path.parent.name, item.path.stem.removeprefix("test_")
        if floor == "journeys":
            item.add_marker("journey")
        if floor == "mule" and name in ORACLES:
            item.add_marker("oracle")
        if name in BY_THE_CLOCK.get(floor, ()):
            item.add_marker(pytest.mark.xdist_group("search"))
