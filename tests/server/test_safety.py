"""Keeping accounts apart and guessers out: pauses, sessions, forgotten passwords, headers, files."""

import os
import re
import stat
import subprocess
import sys
import threading
from datetime import timedelta
from pathlib import Path
from time import monotonic, sleep
from typing import Any

import pytest
from axes.models import AccessAttempt
from django.contrib.auth.models import User
from django.core import mail
from django.core.cache import cache
from django.core.management import CommandError, call_command
from django.test import Client
from django.utils import timezone

from server.accounts import hashing
from server.accounts.hashing import MOST_WAITING, QuietHasher
from server.accounts.services import MOST_ACCOUNTS
from server.accounts.signed_in import account_id
from server.accounts.throttle import FIRST_PAUSE_S, FREE, FREE_AT_ADDRESS, LONGEST_PAUSE_S
from server.kernel.private import make_private
from server.kernel.refusals import TooBusy
from tests.server.conftest import asker, errors, make_user

pytestmark = pytest.mark.django_db
ROOT = Path(__file__).parents[2]
RIGHT, WRONG = {"name": "Ines", "password": "a long password"}, {"name": "ines ", "password": "not it at all"}


def sign_in(words: dict[str, str], at: str = "203.0.113.5") -> Any:
    return asker(None, REMOTE_ADDR=at)("post", "/session/sign-in", words)


def later(seconds: float) -> None:
    """As if it had been so long ago."""
    for attempt in AccessAttempt.objects.all():
        AccessAttempt.objects.filter(pk=attempt.pk).update(
            attempt_time=attempt.attempt_time - timedelta(seconds=seconds)
        )


def test_guessing_pauses_longer_and_longer_and_ends_with_the_right_words(owner: User) -> None:
    # The last of them already tells how long to wait.
    assert [sign_in(WRONG).status_code for _ in range(FREE)] == [422] * (FREE - 1) + [429]
    paused = sign_in(RIGHT)
    assert (paused.status_code, int(paused["Retry-After"])) == (429, pytest.approx(FIRST_PAUSE_S, abs=2))
    later(FIRST_PAUSE_S + 1)
    assert sign_in(WRONG).status_code == 429
    assert int(sign_in(RIGHT)["Retry-After"]) == pytest.approx(2 * FIRST_PAUSE_S, abs=2)
    later(2 * FIRST_PAUSE_S + 1)
    assert sign_in(RIGHT).status_code == 200
    assert [sign_in(WRONG).status_code for _ in range(FREE)] == [422] * (FREE - 1) + [429]


def test_no_pause_is_longer_than_the_longest(owner: User) -> None:
    sign_in(WRONG)
    AccessAttempt.objects.update(failures_since_start=45)
    assert int(sign_in(RIGHT)["Retry-After"]) <= LONGEST_PAUSE_S


def test_whoever_guesses_elsewhere_locks_nobody_out_at_home(owner: User) -> None:
    for _ in range(FREE + 3):
        sign_in(WRONG, at="198.51.100.7")
    assert sign_in(RIGHT, at="198.51.100.7").status_code == 429
    assert sign_in(RIGHT).status_code == 200


def test_many_names_from_one_address_pause_too(owner: User) -> None:
    for n in range(FREE_AT_ADDRESS - 1):
        assert sign_in({"name": f"guess {n}", "password": "x"}).status_code == 422
    assert sign_in({"name": "one more", "password": "x"}).status_code == 429
    assert sign_in(RIGHT).status_code == 429
    assert sign_in(RIGHT, at="203.0.113.9").status_code == 200


def test_accounts_are_made_a_few_an_hour_from_one_address(settings: Any) -> None:
    settings.BEHIND_PROXY = True
    cache.clear()

    def sign_up(n: int, at: str) -> int:
        ask = asker(None, HTTP_X_FORWARDED_FOR=f"10.0.0.1, {at}")
        made: int = ask(
            "post", "/session/sign-up", {"name": f"somebody {n}", "password": "a long password"}
        ).status_code
        return made

    assert {sign_up(n, "198.51.100.7") for n in range(MOST_ACCOUNTS)} == {200}
    assert sign_up(90, "198.51.100.7") == 429
    assert sign_up(91, "198.51.100.8") == 200
    cache.clear()


def test_hashing_waits_in_one_line_and_the_line_has_an_end() -> None:
    hasher, results = QuietHasher(), []

    def hash_one() -> None:
        try:
            results.append(hasher.encode("words", "salt", 200_000))
        except TooBusy:
            results.append("busy")

    # Held up until all who are too many have been told so.
    gate = threading.Event()
    hashing._ONE.submit(gate.wait)
    threads = [threading.Thread(target=hash_one) for _ in range(MOST_WAITING + 8)]
    for thread in threads:
        thread.start()
    while results.count("busy") < 8:
        sleep(0.01)
    gate.set()
    for thread in threads:
        thread.join()
    assert results.count("busy") == 8
    assert len({r for r in results if r != "busy"}) == 1
    assert QuietHasher().verify("words", next(r for r in results if r != "busy"))


def test_sessions_are_listed_and_ended_one_by_one(owner: User) -> None:
    here, there = (asker(None, HTTP_USER_AGENT=a) for a in ("X Firefox/1 Linux", "Mozilla Safari (iPhone)"))
    for ask in (here, there):
        ask("post", "/session/sign-in", RIGHT)
    listed = here("get", "/session/sign-ins").json()
    assert [(one["device"], one["here"]) for one in listed] == [("Safari, iPhone", False), ("Firefox, Linux", True)]
    assert here("delete", f"/session/sign-ins/{listed[0]['id']}").status_code == 204
    assert [ask("get", "/trips").status_code for ask in (here, there)] == [200, 401]
    assert len(here("get", "/session/sign-ins").json()) == 1


def test_nobody_ends_anothers_session(ask: Any, ask_as_stranger: Any, stranger: User) -> None:
    marit = asker(None)
    marit("post", "/session/sign-in", {"name": stranger.username, "password": "a long password"})
    number = marit("get", "/session/sign-ins").json()[0]["id"]
    assert ask("delete", f"/session/sign-ins/{number}").status_code == 404
    assert marit("get", "/trips").status_code == 200


def test_a_page_of_one_account_gets_and_does_nothing_as_another(ask: Any, owner: User, stranger: User) -> None:
    own, other = account_id(owner), account_id(stranger)
    assert ask("get", "/session").json()["account"] == own != other
    assert ask("get", "/trips", HTTP_X_ACCOUNT=own).status_code == 200
    for method, path in (("get", "/trips"), ("post", "/trips"), ("delete", "/locker/things/x")):
        refused = ask(method, path, {} if method == "post" else None, HTTP_X_ACCOUNT=other)
        assert (refused.status_code, refused["X-Other-Account"]) == (401, "yes")
    assert "X-Account" in ask("get", "/trips")["Vary"]


def test_a_forgotten_password_is_mended_by_a_letter_once(owner: User, settings: Any) -> None:
    settings.MAIL_SET_UP, settings.EMAIL_BACKEND = True, "django.core.mail.backends.locmem.EmailBackend"
    there = asker(None)
    there("post", "/session/sign-in", RIGHT)
    assert "email" in errors(there("put", "/session/email", {"email": "nowhere"}))
    assert there("put", "/session/email", {"email": "ines@example.org"}).json()["email"] == "ines@example.org"
    for who in ("nobody at all", "Ines"):
        assert asker(None)("post", "/session/forgotten", {"who": who}).status_code == 200
    (letter,) = mail.outbox
    found = re.search(r"reset=(\S+)", str(letter.body))
    assert found is not None
    body = {"link": found[1], "password": "another long one"}
    assert "password" in errors(asker(None)("post", "/session/reset", body | {"password": "Ines"}))
    here = asker(None)
    assert here("post", "/session/reset", body).json()["name"] == "Ines"
    assert there("get", "/trips").status_code == 401
    assert "link" in errors(asker(None)("post", "/session/reset", body))
    assert sign_in(RIGHT).status_code == 422
    assert sign_in({"name": "Ines", "password": "another long one"}).status_code == 200


@pytest.mark.parametrize("link", ["", "x", "MQ-abc-def", "////", "é-1"])
def test_a_made_up_link_opens_nothing(owner: User, link: str) -> None:
    assert "link" in errors(asker(None)("post", "/session/reset", {"link": link, "password": "another long one"}))


def test_whoever_runs_the_site_can_give_a_link(owner: User, capsys: pytest.CaptureFixture[str]) -> None:
    call_command("reset_password", "  Ines ")
    link = capsys.readouterr().out.strip().partition("reset=")[2]
    made = asker(None)("post", "/session/reset", {"link": link, "password": "another long one"})
    assert made.json()["name"] == "Ines"
    with pytest.raises(CommandError):
        call_command("reset_password", "Nobody")


def test_a_device_is_called_by_two_words_at_most() -> None:
    make_user("xx")
    ask = asker(None, HTTP_USER_AGENT="curl/8")
    ask("post", "/session/sign-in", {"name": "xx", "password": "a long password"})
    assert ask("get", "/session/sign-ins").json()[0]["device"] == "an unknown device"


@pytest.mark.parametrize("path", ["/", "/api/session", "/trips/x/a/bench"])
def test_no_answer_lets_a_page_run_what_is_not_ours(path: str) -> None:
    response = Client().get(path)
    policy = response["Content-Security-Policy"]
    assert "default-src 'self'" in policy
    assert "unsafe" not in policy
    for rule in ("object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'"):
        assert rule in policy
    assert response["X-Content-Type-Options"] == "nosniff"
    assert response["X-Frame-Options"] == "DENY"
    assert "camera=()" in response["Permissions-Policy"]


def run_in_production(*args: str, **env: str) -> subprocess.CompletedProcess[str]:
    known = {"DJANGO_SETTINGS_MODULE": "server.settings.production", "ALLOWED_HOSTS": "mule.example"}
    key = "k3y-" + "abcdefghijklmnopqrstuvwxyz0123456789" * 2
    return subprocess.run(
        [sys.executable, *args],
        cwd=ROOT,
        env={**os.environ, **known, "SECRET_KEY": key, **env},
        capture_output=True,
        text=True,
        check=False,
    )


def test_production_passes_the_check_for_deploying(tmp_path: Path) -> None:
    made = run_in_production("manage.py", "check", "--deploy", "--fail-level", "WARNING", DATA_DIR=str(tmp_path))
    assert made.returncode == 0, made.stderr


def test_production_answers_its_own_hosts_only_and_sends_http_to_https(tmp_path: Path) -> None:
    code = """
import django; django.setup()
from django.test import Client
for host, more in (("mule.example", {}), ("mule.example", {"HTTP_X_FORWARDED_PROTO": "https"}), ("other.example", {})):
    r = Client(HTTP_HOST=host).get("/nothing", **more)
    print(r.status_code, r.headers.get("Location", ""), r.headers.get("Strict-Transport-Security", ""))
print(Client(HTTP_HOST="mule.example").get("/healthz").status_code)
for path in ("/", "/welcome", "/api/session", "/api/window", "/healthz", "/favicon.svg"):
    print(Client(HTTP_HOST="other.example").get(path, HTTP_X_FORWARDED_PROTO="https").status_code)
"""
    said = run_in_production("-c", code, DATA_DIR=str(tmp_path)).stdout.splitlines()
    assert said[0].startswith("301 https://mule.example/nothing")
    assert "max-age=31536000" in said[1]
    assert said[2].startswith("400")
    assert said[3] in {"200", "503"}
    assert said[4:] == ["400"] * 6


def test_what_is_kept_is_its_owners_alone(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    folder.mkdir(0o755)
    (folder / "narrow-mule.sqlite3").write_text("")
    (folder / "narrow-mule.sqlite3").chmod(0o644)
    mask = os.umask(0o022)
    try:
        make_private(folder)
        (folder / "secret-key").write_text("k")
    finally:
        os.umask(mask)
    modes = {path.name: stat.S_IMODE(path.stat().st_mode) for path in (folder, *folder.iterdir())}
    assert modes == {"data": 0o700, "narrow-mule.sqlite3": 0o600, "secret-key": 0o600}


def test_attempts_are_forgotten_after_a_day(owner: User) -> None:
    for _ in range(FREE):
        sign_in(WRONG)
    later(25 * 3600)
    begun = monotonic()
    assert sign_in(RIGHT).status_code == 200
    assert monotonic() - begun < 5
    assert not AccessAttempt.objects.filter(attempt_time__lt=timezone.now() - timedelta(days=1)).exists()


def test_whoever_signs_in_twice_on_one_device_has_one_session_that_holds(owner: User) -> None:
    ask = asker(None)
    for _ in range(2):
        assert ask("post", "/session/sign-in", RIGHT).status_code == 200
    assert [one["here"] for one in ask("get", "/session/sign-ins").json()] == [True]
