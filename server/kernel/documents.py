"""Documents: owned, versioned rows whose ``spec`` is a validated core value."""

import re
from collections.abc import Callable, Iterable, Iterator, Sequence
from contextlib import contextmanager
from typing import Any, TypeVar

from django.conf import settings
from django.contrib.auth import get_user_model
from django.db import connection, models, transaction
from django.utils.text import slugify
from pydantic import BaseModel, ValidationError

from mule.base.errors import InvalidInput, Problem, invalid
from server.kernel.errors import NotFound, Stale

# What an id of the core takes (mule.base.units.ItemId).
LONGEST_SLUG = 64


class Document(models.Model):
    """Something one person edits. ``slug`` is the core's id, single among the owner's documents of this sort.

    ``spec`` is the whole core value as JSON, validated before it is stored; ``version`` counts its changes.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    slug = models.CharField(max_length=LONGEST_SLUG)
    name = models.CharField(max_length=80)
    spec = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        """Each concrete sort adds its own constraint name."""

        abstract = True

    def __str__(self) -> str:
        return self.name


Doc = TypeVar("Doc", bound=Document)


def spec_of(value: BaseModel) -> dict[str, Any]:
    """A core value as it is stored. What is stored can be read again: it is validated as what it will be read as.

    Raises InvalidInput.
    """
    spec = value.model_dump(mode="json")
    try:
        type(value).model_validate(spec)
    except ValidationError as error:
        raise invalid(error) from error
    return spec


@contextmanager
def writing(owner: Any) -> Iterator[None]:
    """A transaction in which what is read of an owner's documents stays as it was read until it is written: all of it
    or nothing is kept.

    With SQLite one writes at a time anyway; elsewhere writers of one owner wait for each other, as the lock of the
    owner's row lasts as long as the transaction.
    """
    with transaction.atomic():
        if connection.features.has_select_for_update:
            get_user_model().objects.select_for_update().filter(pk=owner.pk).values_list("pk").first()
        yield


def require_room(model: type[Doc], owner: Any, more: int, most: int, what: str) -> None:
    """Raises InvalidInput when an owner would have more documents of a sort than a plan can hold."""
    have = model.objects.filter(owner=owner).count()  # type: ignore[attr-defined]
    if have + more > most:
        rule = f"at most {most:,} {what} in all: {have:,} are here already"
        raise InvalidInput([Problem("", f"{more:,} more", rule)])


def find(model: type[Doc], owner: Any, slug: str, what: str) -> Doc:
    """The owner's document. Raises NotFound, also for somebody else's."""
    row: Doc | None = model.objects.filter(owner=owner, slug=slug).first()  # type: ignore[attr-defined]
    if row is None:
        raise NotFound(what, slug)
    return row


def require_version(stored: int, sent: int, what: str, show: Callable[[], Any]) -> None:
    """Raises Stale, with what is stored now, unless the writer saw the stored version."""
    if stored != sent:
        raise Stale(what, sent, stored, show())


def find_for_edit(model: type[Doc], owner: Any, slug: str, what: str, *, version: int, sent_id: str) -> Doc:
    """The owner's document, when the writer saw its stored version and keeps its id.

    Raises NotFound, Stale, InvalidInput.
    """
    row = find(model, owner, slug, what)
    require_version(row.version, version, what, lambda: row.spec)
    require_same_id(slug, sent_id, what)
    return row


def require_same_id(slug: str, sent_id: str, what: str) -> None:
    """Raises InvalidInput when an edited document comes with another id."""
    if sent_id != slug:
        raise InvalidInput([Problem("id", sent_id, f"{slug}: a {what} keeps its id")])


def store(row: Doc, value: BaseModel) -> Doc:
    """Puts a new value into a document and counts its version up."""
    row.spec = spec_of(value)
    row.name = row.spec["name"]
    row.version += 1
    row.save()
    return row


def slug_from(name: str) -> str:
    """An id made from a name: lower case without accents, digits and hyphens.

    >>> slug_from("24–70 f/2.8, the old one")
    '24-70-f-2-8-the-old-one'
    >>> slug_from("Žďár")
    'zdar'
    """
    # Marks between words part them; Django's slugify alone would join "24–70" to "2470".
    return slugify(re.sub(r"[\W_]+", " ", name))[:LONGEST_SLUG].strip("-") or "thing"


class FreeSlugs:
    """Ids that nobody uses yet, handed out one by one.

    >>> free = FreeSlugs({"fifty", "fifty-2"})
    >>> free.take("fifty"), free.take("fifty"), free.take("tele")
    ('fifty-3', 'fifty-4', 'tele')
    """

    def __init__(self, taken: Iterable[str]) -> None:
        self._taken = set(taken)
        # Up to which number a name is taken: a table may hold thousands of one name.
        self._numbers: dict[str, int] = {}

    def take(self, wanted: str) -> str:
        """``wanted``, or the first of wanted-2, wanted-3 ... that is free; never longer than an id may be."""
        number, free = self._numbers.get(wanted, 1), wanted[:LONGEST_SLUG]
        while free in self._taken:
            number += 1
            free = f"{wanted[: LONGEST_SLUG - len(str(number)) - 1].rstrip('-')}-{number}"
        self._taken.add(free)
        self._numbers[wanted] = number
        return free


def ready(rows: Iterable[Document]) -> list[tuple[Any, ...]]:
    """New rows as the database takes them: what takes time is done before anything is locked."""
    return [
        tuple(
            field.get_db_prep_save(field.pre_save(row, add=True), connection)
            for field in row._meta.local_concrete_fields
            if not field.primary_key
        )
        for row in rows
    ]


def insert(model: type[Document], made_ready: Sequence[tuple[Any, ...]]) -> None:
    """Stores rows that were made ready, in a fraction of the time that making them takes."""
    quote = connection.ops.quote_name
    columns = [quote(str(field.column)) for field in model._meta.local_concrete_fields if not field.primary_key]
    into, marks = f"{quote(model._meta.db_table)} ({', '.join(columns)})", ", ".join(["%s"] * len(columns))
    with connection.cursor() as cursor:
        cursor.executemany(f"INSERT INTO {into} VALUES ({marks})", made_ready)


def revision(model: type[Doc], owner: Any) -> str:
    """Another word after every change of an owner's documents of one sort.

    Ids are never used twice, so how many there are and the largest tell which there are; versions only grow. When
    something was stored last covers what is stored without a new version.
    """
    mine = model.objects.filter(owner=owner)  # type: ignore[attr-defined]
    told = mine.aggregate(models.Count("id"), models.Max("id"), models.Sum("version"), models.Max("changed"))
    *numbers, changed = told.values()
    return "-".join([*(str(n or 0) for n in numbers), changed.strftime("%y%m%d%H%M%S%f") if changed else ""])


def slugs(model: type[Doc], owner: Any) -> set[str]:
    """All ids that the owner uses for this sort of document."""
    return set(model.objects.filter(owner=owner).values_list("slug", flat=True))  # type: ignore[attr-defined]
