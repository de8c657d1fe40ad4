"""Links that open a trip to others."""

from django.conf import settings
from django.db import models

from server.trips.models import Trip


class ShareLink(models.Model):
    """A link to one trip. Its secret is never stored: ``secret_hash`` is enough to know it again.

    role: ``look`` reads; ``pack`` ticks and notes, too; ``plan`` edits, with an account of one's own. until:
    the last day it opens; None is until it is taken back.
    """

    trip = models.ForeignKey(Trip, on_delete=models.CASCADE, related_name="links")
    secret_hash = models.CharField(max_length=64, unique=True)
    role = models.CharField(max_length=8)
    note = models.CharField(max_length=80, blank=True, default="")
    made = models.DateTimeField(auto_now_add=True)
    until = models.DateField(null=True, default=None)
    revoked = models.BooleanField(default=False)

    class Meta:
        """Oldest first."""

        ordering = ["id"]

    def __str__(self) -> str:
        return f"{self.role} link {self.pk}"


class Companion(models.Model):
    """An account that plans along by a link, as long as the link holds."""

    link = models.ForeignKey(ShareLink, on_delete=models.CASCADE, related_name="companions")
    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="plans_along")
    since = models.DateTimeField(auto_now_add=True)

    class Meta:
        """An account comes once by a link."""

        constraints = [models.UniqueConstraint(fields=["link", "account"], name="companion_single_per_link")]
        ordering = ["id"]

    def __str__(self) -> str:
        return f"companion {self.account_id} by {self.link_id}"
