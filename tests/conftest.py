"""Marks that say how tests may run together: with ``--dist loadgroup`` tests of one group run one after the other."""

from collections.abc import Iterator

import pytest
from hypothesis import settings

from mule.deadline import WorkClock, measured_by

# How long a test takes is no part of what it says: on a busy machine what takes a moment may take a second.
settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")

# What they look for, they look for during a certain time: beside others that keep the processor busy they find less.
SOLVERS = {
    "mule": (
        "bag_sets",
        "choosing",
        "choosing_lightest",
        "choosing_room",
        "foam",
        "gate",
        "outings_proposed",
        "packing",
        "packout",
        "solving",
        "split",
        "suggest",
    ),
    "server": ("bags", "choice", "field", "foam", "lines", "paper", "stow"),
}
# Of these never two beside each other: each search has all of a processor.
GROUPED = {
    "mule": ("foam", "gate", "packing", "packout", "solving"),
    "server": SOLVERS["server"],
    "journeys": ("choice", "gate", "stow"),
}


@pytest.fixture(scope="session", autouse=True)
def _searches_are_measured_by_work() -> Iterator[None]:
    """A search gets so much work, not so many seconds: it says the same on every machine, however busy."""
    with measured_by(WorkClock()):
        yield


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """``journey``: with a browser. ``solver``: untraced. Tests of one group never run beside each other."""
    for item in items:
        floor, name = item.path.parent.name, item.path.stem.removeprefix("test_")
        if floor == "journeys":
            item.add_marker("journey")
        if name in SOLVERS.get(floor, ()):
            item.add_marker("solver")
        if name in GROUPED.get(floor, ()):
            item.add_marker(pytest.mark.xdist_group("search"))
