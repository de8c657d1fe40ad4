"""The API: one router per app. Everything but signing in needs a session; unsafe calls need its CSRF token."""

from django.conf import settings

from server.accounts.api import router as accounts
from server.accounts.signed_in import SignedIn
from server.exchange.api import router as exchange
from server.field.api import router as field
from server.kernel.described import DescribedAPI
from server.kernel.errors import install
from server.library.carriers.api import router as carriers
from server.library.locker.api import router as locker
from server.ops.demo.door import router as door
from server.ops.demo.window import router as window
from server.trips.api import router as trips
from server.trips.bags_api import router as bags
from server.trips.brief.api import router as brief
from server.trips.lent_api import router as lent
from server.trips.outings_api import router as outings
from server.trips.sharing.api import router as sharing
from server.trips.sharing.guests import guest_actor
from server.trips.shelf import router as shelf

# Its pages are for developers: only `make dev` serves them.
api = DescribedAPI(
    title="Narrow Mule", version="1", auth=SignedIn(guest_actor), docs_url="/docs" if settings.DEBUG else None
)
install(api)

api.add_router("/session", accounts, tags=["session"])
api.add_router("/session", door, tags=["session"])
api.add_router("/locker", locker, tags=["locker"])
api.add_router("/carriers", carriers, tags=["carriers"])
api.add_router("/brief", brief, tags=["brief"])
api.add_router("/trips", shelf, tags=["trips"])
api.add_router("/trips", trips, tags=["trips"])
api.add_router("/trips", lent, tags=["trips"])
api.add_router("/trips", outings, tags=["trips"])
api.add_router("/trips", bags, tags=["trips"])
api.add_router("/field", field, tags=["field"])
api.add_router("/exchange", exchange, tags=["exchange"])
api.add_router("/window", window, tags=["window"])
api.add_router("/sharing", sharing, tags=["sharing"])
