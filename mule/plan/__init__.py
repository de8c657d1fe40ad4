"""What a plan holds: gear, carriers, trip, kits, and what can be done to a kit. The front door is ``Plan``."""

from mule.plan.plan import (
    MAX_BYTES,
    MOST_CARRIERS,
    MOST_FRAMES,
    MOST_MARKS,
    MOST_THINGS,
    Plan,
    assemble,
    kit_problems,
    read,
    write,
)

__all__ = [
    "MAX_BYTES",
    "MOST_CARRIERS",
    "MOST_FRAMES",
    "MOST_MARKS",
    "MOST_THINGS",
    "Plan",
    "assemble",
    "kit_problems",
    "read",
    "write",
]
