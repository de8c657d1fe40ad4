"""Wire shapes of the session."""

from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import StringConstraints

Units = Literal["metric", "imperial"]
Theme = Literal["day", "night", "red"]


class Credentials(Schema):
    """Name and password."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=2, max_length=60)]
    password: Annotated[str, StringConstraints(max_length=200)]


class NewPassword(Schema):
    """The password that somebody has, and the one to have from now on."""

    old: Annotated[str, StringConstraints(max_length=200)]
    new: Annotated[str, StringConstraints(max_length=200)]


class TypedName(Schema):
    """The name of the account, typed to be sure."""

    name: Annotated[str, StringConstraints(max_length=200)]


class PreferencesBody(Schema):
    """Units and theme."""

    units: Units
    theme: Theme


class SignInOut(Schema):
    """A session of the account. here: the one that asks."""

    id: int
    since: datetime
    device: str
    here: bool


class MailBody(Schema):
    """Where to write to when a password is forgotten; empty for nowhere."""

    email: Annotated[str, StringConstraints(max_length=200)]


class Forgotten(Schema):
    """Whose password is forgotten."""

    who: Annotated[str, StringConstraints(max_length=200)]


class ResetBody(Schema):
    """A new password, with what stood in the link."""

    link: Annotated[str, StringConstraints(max_length=200)]
    password: Annotated[str, StringConstraints(max_length=200)]


class SessionOut(Schema):
    """Who is signed in; name is None when nobody is.

    account: what a page names it by in its requests. mail: whether this site can write mail; email: to where.
    """

    name: str | None
    account: str | None
    mail: bool
    email: str
    demo_mode: bool
    in_demo: bool
    units: Units
    theme: Theme
