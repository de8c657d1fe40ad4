"""Ids of documents, and the shape of every complaint."""

from typing import Any

import pytest

from server.kernel.documents import FreeSlugs, slug_from
from tests.server.conftest import asker


@pytest.mark.parametrize(
    ("name", "slug"),
    [
        ("24–70 f/2.8, the old one", "24-70-f-2-8-the-old-one"),
        ("  Ridge 32  ", "ridge-32"),
        ("日本", "thing"),
        ("Žďár nad Sázavou", "zdar-nad-sazavou"),
        ("snow_and_ice", "snow-and-ice"),
        ("x" * 200, "x" * 64),
        ("x" * 63 + " y", "x" * 63),
    ],
)
def test_an_id_is_made_from_a_name(name: str, slug: str) -> None:
    assert slug_from(name) == slug


def test_a_taken_id_is_counted_on() -> None:
    assert FreeSlugs([]).take("bag") == "bag"
    assert FreeSlugs(["bag"]).take("bag") == "bag-2"
    free = FreeSlugs(["bag", "bag-2", "bag-3"])
    assert [free.take("bag"), free.take("bag-4"), free.take("bag")] == ["bag-4", "bag-4-2", "bag-5"]


def test_an_id_keeps_its_64_characters_whatever_is_appended() -> None:
    free = FreeSlugs([])
    taken = [free.take(slug_from("y" * 200)) for _ in range(120)]
    assert max(map(len, taken)) == 64
    assert len(set(taken)) == 120


@pytest.mark.django_db
@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    [
        ("get", "/trips/none/kits/a", None, 404),
        ("post", "/locker/things", {"thing": {"kind": "lens"}}, 422),
        ("post", "/locker/things", b"{", 400),
        ("post", "/locker/things", {"thing": None}, 422),
        ("post", "/carriers", {}, 422),
        ("delete", "/carriers/none", None, 404),
        ("post", "/exchange/plans", [1, 2], 422),
    ],
)
def test_every_complaint_has_title_status_and_a_list_of_errors(
    ask: Any, method: str, path: str, body: Any, status: int
) -> None:
    response = ask(method, path, body)
    assert response.status_code == status
    assert response["Content-Type"] == "application/problem+json"
    complaint = response.json()
    assert complaint["status"] == status
    assert complaint["title"]
    assert all(set(error) == {"field", "value", "rule"} for error in complaint["errors"])


@pytest.mark.django_db
def test_a_complaint_never_echoes_more_than_a_line(ask: Any) -> None:
    thing = {"kind": "other", "id": "x", "name": "n" * 100_000, "mass_g": 1, "size": {"shape": "soft", "volume_l": 1}}
    assert len(ask("post", "/locker/things", {"thing": thing}).content) < 1000


@pytest.mark.django_db
def test_a_method_that_is_not_offered_and_a_path_that_is_not_there_are_told_apart(ask: Any) -> None:
    assert ask("delete", "/session").status_code == 405
    assert asker(None)("get", "/nothing-here").status_code == 404
