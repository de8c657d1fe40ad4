"""Rows of carriers."""

from django.db import models

from server.kernel.documents import Document


class Carrier(Document):
    """One carrier of somebody's; ``spec`` is its ``mule.analysis.carriers`` value."""

    class Meta:
        """Ids are single per owner."""

        constraints = [models.UniqueConstraint(fields=["owner", "slug"], name="carrier_single_per_owner")]
        ordering = ["id"]
