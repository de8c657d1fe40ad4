"""Marks that say how tests may run together."""

import pytest

# What they look for, they look for during a certain time: beside others that keep the processor busy they find less.
SOLVERS = {
    "test_choosing",
    "test_choosing_room",
    "test_solving",
    "test_packing",
    "test_foam",
    "test_gate",
    "test_packout",
}
SOLVERS_OF_SERVER = {"test_choice", "test_stow", "test_foam", "test_field", "test_paper"}


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """``solver``: by itself, one after the other. ``journey`` is set where journeys are."""
    for item in items:
        floor, name = item.path.parent.name, item.path.stem
        if name in {"mule": SOLVERS, "server": SOLVERS_OF_SERVER}.get(floor, set()):
            item.add_marker("solver")
