"""Rows of trips and kits."""

from django.conf import settings
from django.db import models

from server.kernel.documents import LONGEST_SLUG, Document


class Trip(Document):
    """One trip; ``spec`` is its ``mule.plan.trip`` value.

    scale: the marks of what was weighed that stand, out of all that was noted; weighings: how often that changed.
    ticked: lines of the pack-out list, of things in bags, that are done. changed_by: who edited it last, where it was
    not the owner. lendings: how often it changed what others lent to it.
    """

    open_kit = models.CharField(max_length=64, default="a")
    scale = models.JSONField(default=list)
    weighings = models.PositiveIntegerField(default=0)
    ticked = models.JSONField(default=list)
    changed_by = models.CharField(max_length=80, blank=True, default="")
    lendings = models.PositiveIntegerField(default=0)

    class Meta:
        """Ids are single per owner."""

        constraints = [models.UniqueConstraint(fields=["owner", "slug"], name="trip_single_per_owner")]
        ordering = ["id"]


class Kit(models.Model):
    """One kit of a trip. ``at_step`` is the number of the last step in force; later steps can be redone."""

    trip = models.ForeignKey(Trip, on_delete=models.CASCADE, related_name="kits")
    slug = models.CharField(max_length=64)
    name = models.CharField(max_length=80)
    note = models.CharField(max_length=2000, blank=True, default="")
    entries = models.JSONField(default=list)
    stow = models.JSONField(default=dict)
    version = models.PositiveIntegerField(default=1)
    # Counts changes of name and note: those of what is loaded are another matter.
    named = models.PositiveIntegerField(default=1)
    at_step = models.PositiveIntegerField(default=0)

    class Meta:
        """Ids are single per trip."""

        constraints = [models.UniqueConstraint(fields=["trip", "slug"], name="kit_single_per_trip")]
        ordering = ["id"]

    def __str__(self) -> str:
        return self.name


class KitPacking(models.Model):
    """How a kit lay when it was last packed, as a whole or as one of its loadouts: the next packing begins there.

    asked: of what it was the packing, so that it is known whether it still holds; stowage: ``mule.packing.Stowage``.
    """

    kit = models.ForeignKey(Kit, on_delete=models.CASCADE, related_name="packings")
    loadout = models.CharField(max_length=64, blank=True, default="")
    asked = models.CharField(max_length=64)
    stowage = models.TextField()

    class Meta:
        """One for each way of carrying a kit."""

        constraints = [models.UniqueConstraint(fields=["kit", "loadout"], name="packing_single_per_loadout")]

    def __str__(self) -> str:
        return f"packing of {self.kit_id} {self.loadout}".rstrip()


class LentThing(models.Model):
    """A thing of somebody else's locker, laid beside those of the trip's owner by themselves.

    item: its id on this trip; ``spec``: as it was when it was lent, under that id and marked as theirs. What changes in
    the lender's locker afterwards changes no trip of somebody else. source: its id in the lender's locker.
    """

    trip = models.ForeignKey(Trip, on_delete=models.CASCADE, related_name="lent")
    item = models.CharField(max_length=LONGEST_SLUG)
    lender = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    lender_name = models.CharField(max_length=80)
    source = models.CharField(max_length=LONGEST_SLUG)
    spec = models.JSONField()
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        """Ids are single per trip; each thing is lent once."""

        constraints = [
            models.UniqueConstraint(fields=["trip", "item"], name="lent_single_per_trip"),
            models.UniqueConstraint(fields=["trip", "lender", "source"], name="lent_once"),
        ]
        ordering = ["id"]

    def __str__(self) -> str:
        return self.item


class KitStep(models.Model):
    """One edit of a kit, with its entries before and after: undo and redo survive a reload.

    by: who did it, where it was not the owner.
    """

    kit = models.ForeignKey(Kit, on_delete=models.CASCADE, related_name="steps")
    number = models.PositiveIntegerField()
    before = models.JSONField()
    after = models.JSONField()
    by = models.CharField(max_length=80, blank=True, default="")

    class Meta:
        """Steps are numbered per kit."""

        constraints = [models.UniqueConstraint(fields=["kit", "number"], name="step_single_per_kit")]
        ordering = ["number"]

    def __str__(self) -> str:
        return f"step {self.number}"
