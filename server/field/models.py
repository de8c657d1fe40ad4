"""Rows of marks."""

from django.db import models

from server.trips.models import Trip


class FieldMark(models.Model):
    """One ``mule.field`` mark, as it came. Marks are only ever added; ``id`` is the order in which they came."""

    trip = models.ForeignKey(Trip, on_delete=models.CASCADE, related_name="marks")
    mark = models.CharField(max_length=64)
    spec = models.JSONField()
    received = models.DateTimeField(auto_now_add=True)

    class Meta:
        """A mark that is sent twice is one."""

        constraints = [models.UniqueConstraint(fields=["trip", "mark"], name="mark_single_per_trip")]
        ordering = ["id"]

    def __str__(self) -> str:
        return self.mark
