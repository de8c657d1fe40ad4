"""Wire shapes of the session."""

from typing import Annotated, Literal

from ninja import Schema
from pydantic import StringConstraints

Units = Literal["metric", "imperial"]
Theme = Literal["day", "night", "red"]


class Credentials(Schema):
    """Name and password."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=2, max_length=60)]
    password: Annotated[str, StringConstraints(max_length=200)]


class PreferencesBody(Schema):
    """Units and theme."""

    units: Units
    theme: Theme


class SessionOut(Schema):
    """Who is signed in; name is None when nobody is."""

    name: str | None
    demo_mode: bool
    in_demo: bool
    units: Units
    theme: Theme
