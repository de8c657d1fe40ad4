"""Signing up, in and out; preferences."""

from django.contrib.auth import authenticate, get_user_model, login
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest

from mule.errors import InvalidInput, Problem
from server.accounts.models import Preferences


def sign_up(request: HttpRequest, name: str, password: str) -> User:
    """Makes an account and signs it in. Raises InvalidInput for a taken name or a weak password."""
    try:
        validate_password(password)
    except ValidationError as error:
        raise InvalidInput([Problem("password", "", " ".join(error.messages))]) from error
    try:
        with transaction.atomic():
            user = get_user_model().objects.create_user(username=name, password=password)
            Preferences.objects.create(owner=user)
    except IntegrityError as error:
        raise InvalidInput([Problem("name", name, "a name that nobody has taken yet")]) from error
    login(request, user)
    return user


def sign_in(request: HttpRequest, name: str, password: str) -> User:
    """Signs in. Raises InvalidInput when name and password do not belong together; it does not say which is wrong."""
    user = authenticate(request, username=name, password=password)
    if user is None:
        raise InvalidInput([Problem("password", "", "a name and a password that belong together")])
    login(request, user)
    return user


def preferences(user: User) -> Preferences:
    """The user's preferences, made on first use."""
    found, _ = Preferences.objects.get_or_create(owner=user)
    return found
