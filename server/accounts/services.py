"""Signing up, in and out; names and passwords; preferences."""

from django.contrib.auth import SESSION_KEY, authenticate, get_user_model, login, update_session_auth_hash
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.contrib.sessions.models import Session
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from django.utils import timezone

from mule.base.errors import InvalidInput, Problem
from server.accounts.models import Preferences, SignIn
from server.accounts.names import plain_name
from server.accounts.throttle import require_few, wait_s
from server.kernel.documents import writing
from server.kernel.errors import NotFound
from server.kernel.refusals import Paused

_BACKEND = "django.contrib.auth.backends.ModelBackend"
# From one address in an hour.
MOST_ACCOUNTS = 20


def require_good(password: str, name: str, field: str) -> None:
    """Raises InvalidInput for a weak password, at the field where it was typed."""
    try:
        validate_password(password)
    except ValidationError as error:
        raise InvalidInput([Problem(field, "", " ".join(error.messages))]) from error
    if password.casefold() == name.casefold():
        raise InvalidInput([Problem(field, "", "must not be your name")])


def sign_up(request: HttpRequest, name: str, password: str) -> User:
    """Makes an account and signs it in. Raises InvalidInput for a taken name or a weak password, Paused."""
    require_few(request, "accounts", MOST_ACCOUNTS)
    name = plain_name(name)
    require_good(password, name, "password")
    try:
        # Nobody is told from somebody else by capitals alone.
        if _alike(name):
            raise IntegrityError
        with transaction.atomic():
            user = get_user_model().objects.create_user(username=name, password=password)
            Preferences.objects.create(owner=user)
    except IntegrityError as error:
        raise InvalidInput([Problem("name", name, "this name is taken")]) from error
    enter(request, user)
    return user


def sign_in(request: HttpRequest, name: str, password: str) -> User:
    """Signs in. Raises InvalidInput when name and password do not belong together, without saying which is wrong;
    Paused after too many attempts, where nothing is looked at.
    """
    known = _known_name(plain_name(name))
    user = authenticate(request, username=known, password=password)
    if user is None:
        if getattr(request, "axes_locked_out", False):
            raise Paused(wait_s(request, {"username": known}))
        raise InvalidInput([Problem("password", "", "name and password do not match")])
    enter(request, user)
    return user


def enter(request: HttpRequest, user: User) -> None:
    """Begins a session, which its owner finds in a list afterwards."""
    login(request, user, backend=_BACKEND)
    # Whoever signs in once more where they are signed in begins another session, too.
    request.session.cycle_key()
    agent = device_of(request.META.get("HTTP_USER_AGENT", ""))
    SignIn.objects.create(owner=user, session_key=str(request.session.session_key), device=agent)


def device_of(agent: str) -> str:
    """What a browser says it is, in a word or two; no more is kept.

    >>> device_of("Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0")
    'Firefox, Linux'
    """
    browsers = (("Edg", "Edge"), ("Firefox", "Firefox"), ("Chrom", "Chrome"), ("Safari", "Safari"))
    systems = ("Android", "iPhone", "iPad", "Windows", "Mac", "Linux")
    told = [next((name for mark, name in browsers if mark in agent), ""), next((s for s in systems if s in agent), "")]
    return ", ".join(part for part in told if part) or "an unknown device"


def sign_ins(user: User) -> list[SignIn]:
    """The sessions of an account that still hold, newest first."""
    own = SignIn.objects.filter(owner=user)
    keys = list(own.values_list("session_key", flat=True))
    alive = set(
        Session.objects.filter(session_key__in=keys, expire_date__gt=timezone.now()).values_list(
            "session_key", flat=True
        )
    )
    own.exclude(session_key__in=alive).delete()
    return list(own.order_by("-since"))


def end_sign_in(user: User, number: int) -> None:
    """Ends one session of an account. Raises NotFound."""
    found = SignIn.objects.filter(owner=user, pk=number).first()
    if found is None:
        raise NotFound("session", str(number))
    Session.objects.filter(session_key=found.session_key).delete()
    found.delete()


def account_named(name: str) -> User | None:
    """The account of that name, however it is spaced and composed."""
    return get_user_model().objects.filter(username=plain_name(name)).first()


def _known_name(name: str) -> str:
    """The name as its owner wrote it, where no other is told from it by capitals alone."""
    if get_user_model().objects.filter(username=name).exists():
        return name
    alike = _alike(name)
    return alike[0] if len(alike) == 1 else name


def _alike(name: str) -> list[str]:
    """Names that are told from this one by capitals alone. SQLite compares only ASCII so: they are gone through."""
    folded = name.casefold()
    names = get_user_model().objects.values_list("username", flat=True)
    return [other for other in names.iterator() if other.casefold() == folded]


def change_password(request: HttpRequest, user: User, old: str, new: str) -> None:
    """Gives an account another password and signs it out everywhere but here. Raises InvalidInput."""
    if not user.check_password(old):
        raise InvalidInput([Problem("old", "", "this is not your current password")])
    require_good(new, user.username, "new")
    user.set_password(new)
    user.save(update_fields=["password"])
    # Sessions hang on the password: this one is kept, all others end.
    was = request.session.session_key
    update_session_auth_hash(request, user)
    SignIn.objects.filter(session_key=was).update(session_key=request.session.session_key)
    SignIn.objects.filter(owner=user).exclude(session_key=request.session.session_key).delete()


def sign_out_everywhere(user: User) -> None:
    """Ends every session of an account, on every device."""
    for session in Session.objects.filter(expire_date__gt=timezone.now()).iterator():
        if session.get_decoded().get(SESSION_KEY) == str(user.pk):
            session.delete()
    SignIn.objects.filter(owner=user).delete()


def delete_account(user: User, name: str) -> None:
    """Deletes an account with all that is its own. Raises InvalidInput unless its name was typed."""
    if plain_name(name) != user.username:
        raise InvalidInput([Problem("name", name, "type the name of this account")])
    with writing(user):
        sign_out_everywhere(user)
        user.delete()


def preferences(user: User) -> Preferences:
    """The user's preferences, made on first use."""
    found, _ = Preferences.objects.get_or_create(owner=user)
    return found
