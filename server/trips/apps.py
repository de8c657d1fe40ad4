"""Trips, and what they use."""

from django.apps import AppConfig


class TripsConfig(AppConfig):
    """Trips with their kits."""

    name = "server.trips"

    def ready(self) -> None:
        """From now on the library asks trips whether something is in use."""
        # Imported here: models are there only once apps are being made ready.
        from server.trips import uses  # noqa: F401, PLC0415
