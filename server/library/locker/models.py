"""Rows of the locker."""

from django.conf import settings
from django.db import models

from mule.plan.gear.base import PICTURE_NAME_LENGTH
from server.kernel.documents import Document


class Thing(Document):
    """One thing of somebody's locker; ``spec`` is its ``mule.plan.gear`` value."""

    kind = models.CharField(max_length=20)

    class Meta:
        """Ids are single per owner."""

        constraints = [models.UniqueConstraint(fields=["owner", "slug"], name="thing_single_per_owner")]
        ordering = ["id"]


class ThingPicture(models.Model):
    """A small picture, named by what is in it; things of the owner's locker name it."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=PICTURE_NAME_LENGTH)
    image = models.BinaryField()
    made = models.DateTimeField(auto_now_add=True)

    class Meta:
        """The same picture is kept once."""

        constraints = [models.UniqueConstraint(fields=["owner", "name"], name="picture_single_per_owner")]

    def __str__(self) -> str:
        return self.name
