"""The API: one router per app. Everything but signing in needs a session; unsafe calls need its CSRF token."""

from django.conf import settings
from ninja.security import django_auth

from server.accounts.api import router as accounts
from server.brief.api import router as brief
from server.carriers.api import router as carriers
from server.described import DescribedAPI
from server.errors import install
from server.exchange.api import router as exchange
from server.field.api import router as field
from server.locker.api import router as locker
from server.trips.api import router as trips

# Its pages are for developers: only `make dev` serves them.
api = DescribedAPI(title="Narrow Mule", version="1", auth=django_auth, docs_url="/docs" if settings.DEBUG else None)
install(api)

api.add_router("/session", accounts, tags=["session"])
api.add_router("/locker", locker, tags=["locker"])
api.add_router("/carriers", carriers, tags=["carriers"])
api.add_router("/brief", brief, tags=["brief"])
api.add_router("/trips", trips, tags=["trips"])
api.add_router("/field", field, tags=["field"])
api.add_router("/exchange", exchange, tags=["exchange"])
