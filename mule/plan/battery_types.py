"""Types of battery, as cameras, chargers and lights name them."""

from typing import Annotated, Any

from pydantic import BeforeValidator

from mule.base.units import Label

# How versions before 0.8 spelled the types of the typical table; a person's own types stay as they are.
_SPELLED = {
    f"{size} pack": f"{size} battery"
    for size in ("Action", "Flash", "Grip", "Large", "Large drone", "Medium", "Small", "Small drone")
}


def battery_type_of(typed: Any) -> Any:
    """A type as it is spelled now; anything else unchanged.

    >>> battery_type_of("Large pack"), battery_type_of("LB-4")
    ('Large battery', 'LB-4')
    """
    return _SPELLED.get(typed, typed) if isinstance(typed, str) else typed


BatteryType = Annotated[Label, BeforeValidator(battery_type_of)]
"""A type of battery or cell: two things with the same one take the same batteries."""
