"""What whoever runs a site does: its data as a file, backups, archives."""

from django.apps import AppConfig


class OpsConfig(AppConfig):
    """The site's database as a file."""

    name = "server.ops"

    def ready(self) -> None:
        """From the first connection on, this process says that it has the data open."""
        # Imported here: signals may be connected only once apps are being made ready.
        from server.ops import in_use  # noqa: F401, PLC0415
