"""Rows of marks."""

from django.db import models

from server.trips.models import Trip


class FieldMark(models.Model):
    """One ``mule.plan.field`` mark, as it came. Marks are only ever added; ``id`` is the order in which they came."""

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


class PictureFrame(models.Model):
    """What one picture's metadata said: a ``mule.trail.debrief`` frame. Pictures themselves are never stored."""

    trip = models.ForeignKey(Trip, on_delete=models.CASCADE, related_name="frames")
    name = models.CharField(max_length=200)
    taken = models.CharField(max_length=32, blank=True, default="")
    spec = models.JSONField()

    class Meta:
        """A picture that is read twice is one: same name, same moment."""

        constraints = [models.UniqueConstraint(fields=["trip", "name", "taken"], name="frame_single_per_trip")]
        ordering = ["id"]

    def __str__(self) -> str:
        return self.name
