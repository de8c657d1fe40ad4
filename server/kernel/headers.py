"""Headers: of files that are served as they are, and what pages say of themselves."""

from wsgiref.headers import Headers

from csp.utils import build_policy
from django.conf import settings

# A page says with it whose answers it holds.
ACCOUNT_HEADER = "X-Account"
# A guest's page says with it through which link it speaks.
SHARE_HEADER = "X-Share"


def add_to_files(headers: Headers, path: str, url: str) -> None:
    """The policies that answers of the app have, too."""
    headers["Content-Security-Policy"] = build_policy()
    headers["Permissions-Policy"] = settings.PERMISSIONS_POLICY
    headers["X-Content-Type-Options"] = "nosniff"
