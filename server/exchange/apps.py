"""What files leave and enter, the site's own data among them."""

from django.apps import AppConfig


class ExchangeConfig(AppConfig):
    """Plan files, tables, archives, and the site's database as a file."""

    name = "server.exchange"

    def ready(self) -> None:
        """From the first connection on, this process says that it has the data open."""
        # Imported here: signals may be connected only once apps are being made ready.
        from server import in_use  # noqa: F401, PLC0415
