"""Forgotten passwords: a link that works once, by mail where mail is set up, else from whoever runs the site."""

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.models import User
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.core.mail import send_mail
from django.core.validators import validate_email
from django.db import transaction
from django.http import HttpRequest
from django.utils.http import urlsafe_base64_decode, urlsafe_base64_encode

from mule.base.errors import InvalidInput, Problem
from server.accounts.services import account_named, require_good, sign_out_everywhere
from server.accounts.throttle import require_few

# Letters asked for from one address in an hour.
MOST_LETTERS = 5
_LETTER = """Somebody, hopefully you, forgot the password of {name} at Narrow Mule.

This link sets a new one. It works once, and for three days:
{link}

If it was not you, leave it be: nothing has changed.
"""


def link_of(user: User) -> str:
    """What a reset link ends with: account and token."""
    return f"{urlsafe_base64_encode(str(user.pk).encode())}-{default_token_generator.make_token(user)}"


def write_letter(request: HttpRequest, name: str) -> None:
    """Writes to the address of an account, when there are both; the answer is the same in any case. Raises Paused."""
    require_few(request, "letters", MOST_LETTERS)
    user = account_named(name)
    if user is None or not user.email or not settings.MAIL_SET_UP:
        return
    link = request.build_absolute_uri(f"/welcome?reset={link_of(user)}")
    letter = _LETTER.format(name=user.username, link=link)
    send_mail("A new password for Narrow Mule", letter, settings.DEFAULT_FROM_EMAIL, [user.email], fail_silently=True)


def keep_address(user: User, email: str) -> None:
    """Keeps where to write to; empty for nowhere. Raises InvalidInput."""
    try:
        if email:
            validate_email(email)
    except ValidationError as error:
        raise InvalidInput([Problem("email", email, "must be an email address, such as ines@example.org")]) from error
    user.email = email
    user.save(update_fields=["email"])


def reset(link: str, password: str) -> User:
    """Gives an account a new password and signs it out everywhere. Raises InvalidInput for a link that is over."""
    number, _, token = link.partition("-")
    over = InvalidInput([Problem("link", "", "this link was used or is older than three days")])
    try:
        user = get_user_model().objects.filter(pk=int(urlsafe_base64_decode(number))).first()
    except (ValueError, OverflowError) as error:
        raise over from error
    if user is None or not default_token_generator.check_token(user, token):
        raise over
    require_good(password, user.username, "password")
    with transaction.atomic():
        user.set_password(password)
        user.save(update_fields=["password"])
        sign_out_everywhere(user)
    return user
