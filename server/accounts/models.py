"""Preferences of one person."""

from django.conf import settings
from django.db import models


class Preferences(models.Model):
    """Units and theme, kept with the account so that they follow to the next device."""

    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="preferences")
    units = models.CharField(max_length=10, default="metric")
    theme = models.CharField(max_length=10, default="day")

    def __str__(self) -> str:
        return f"{self.units}, {self.theme}"
