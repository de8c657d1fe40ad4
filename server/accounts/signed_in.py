"""A request of somebody who has signed in: what every operation gets that does not say otherwise."""

from django.contrib.auth.models import User
from django.http import HttpRequest


class SignedInRequest(HttpRequest):
    """For annotations only: the API refuses everybody else before an operation is called."""

    user: User
