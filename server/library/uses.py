"""What a thing or a carrier is used for is known above the library: whoever uses them answers here.

Each is sent to all who listen; an error that one of them raises keeps the library as it is.
"""

from django.dispatch import Signal

# owner, slug, name. Raise InUse.
thing_to_go = Signal()
carrier_to_go = Signal()
# owner, gear: as it is to be. Raise InvalidInput.
thing_to_change = Signal()
# owner. Return ids that no new thing may have.
ids_taken = Signal()
