"""Wire shapes of the locker."""

from ninja import Schema

from mule.gear import Gear
from mule.units import Count, Grams


class ThingOut(Schema):
    """A thing and the version to send back when changing it."""

    version: int
    thing: Gear


class NewThing(Schema):
    """A thing to add; the id ``new`` asks the server to make one from the name."""

    thing: Gear


class ChangedThing(Schema):
    """An edited thing and the version it was edited from."""

    version: int
    thing: Gear


class FromTypical(Schema):
    """A typical thing to add."""

    typical: str
    count: Count = 1


class WeighIn(Schema):
    """What the scale said, for one piece."""

    version: int
    mass_g: Grams
