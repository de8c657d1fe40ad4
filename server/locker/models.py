"""Rows of the locker."""

from django.db import models

from server.documents import Document


class Thing(Document):
    """One thing of somebody's locker; ``spec`` is its ``mule.gear`` value."""

    kind = models.CharField(max_length=20)

    class Meta:
        """Ids are single per owner."""

        constraints = [models.UniqueConstraint(fields=["owner", "slug"], name="thing_single_per_owner")]
        ordering = ["id"]
