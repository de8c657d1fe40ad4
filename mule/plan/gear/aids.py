"""What a thing gives a want beside glass: a light, sound, a drone, a housing, a remote; or that it holds still."""

from typing import Final, Literal, get_args

from mule.base.units import Aid
from mule.plan.gear.base import Thing
from mule.plan.gear.extras import Drone, Light, Other, Remote, Sound
from mule.plan.gear.support import OtherSupport, Tripod

AIDS: tuple[Aid, ...] = get_args(Aid)
# What a want asks for that is to be held still.
SUPPORT: Final = "support"
Ask = Aid | Literal["support"]
# A pole lifts and a gimbal steadies what moves: neither stands still.
_NOT_STILL = ("gimbal", "pole")


def holds_still(thing: Thing) -> bool:
    """Whether a thing holds a camera still by itself, or with a head on it.

    >>> from mule.plan.gear.base import Box
    >>> size = Box(length_mm=300, width_mm=60, height_mm=60)
    >>> made = {"id": "a", "name": "A", "mass_g": 500, "size": size, "max_load_g": 3000}
    >>> [holds_still(OtherSupport(form=form, **made)) for form in ("clamp", "pole")]
    [True, False]
    """
    return isinstance(thing, Tripod) or (isinstance(thing, OtherSupport) and thing.form not in _NOT_STILL)


def serves(thing: Thing) -> Ask | None:
    """Which aid a thing is; None for what no want asks for that way."""
    match thing:
        case Light(form="flash" | "panel"):
            return "light"
        case Sound(form="microphone" | "recorder"):
            return "sound"
        case Drone():
            return "drone"
        case Remote():
            return "remote"
        case Other(serves=aid):
            return aid
        case _:
            return SUPPORT if holds_still(thing) else None
