"""Wire shapes of the carriers."""

from ninja import Schema

from mule.plan.carriers import Carrier


class CarrierOut(Schema):
    """A carrier and the version to send back when changing it."""

    version: int
    carrier: Carrier


class NewCarrier(Schema):
    """A carrier to add; the id ``new`` asks the server to make one from the name."""

    carrier: Carrier


class ChangedCarrier(Schema):
    """An edited carrier and the version it was edited from."""

    version: int
    carrier: Carrier
