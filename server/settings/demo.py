"""For ``make demo``: like production on one machine, with a secret key kept beside the data."""

from django.core.management.utils import get_random_secret_key

from server.kernel.private import make_private
from server.settings.base import *  # noqa: F403
from server.settings.base import DATA_DIR

DEMO_MODE = True


def _kept_secret() -> str:
    """The key made on first start; sessions outlive a restart because of it."""
    make_private(DATA_DIR)
    path = DATA_DIR / "secret-key"
    if not path.exists():
        path.write_text(get_random_secret_key())
    return path.read_text().strip()


SECRET_KEY = _kept_secret()
