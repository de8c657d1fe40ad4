"""Preferences of one person, and where they are signed in."""

from django.conf import settings
from django.db import models


class Preferences(models.Model):
    """Units and theme, kept with the account so that they follow to the next device."""

    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="preferences")
    units = models.CharField(max_length=10, default="metric")
    theme = models.CharField(max_length=10, default="day")

    def __str__(self) -> str:
        return f"{self.units}, {self.theme}"


class SignIn(models.Model):
    """A session as its owner sees it in a list. device: browser and system, no more."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="sign_ins")
    session_key = models.CharField(max_length=40, unique=True)
    since = models.DateTimeField(auto_now_add=True)
    device = models.CharField(max_length=60)

    def __str__(self) -> str:
        return self.device
