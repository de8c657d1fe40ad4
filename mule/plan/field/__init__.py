"""What was noted in the field, put together. The front door is ``fold``."""

from collections import Counter
from collections.abc import Iterable, Sequence

from mule.base.units import Frozen
from mule.plan.field.frames import Frame
from mule.plan.field.lines import fetch_line, line_of, relined
from mule.plan.field.marks import (
    Broke,
    CardMark,
    CardMarkState,
    Cold,
    Copied,
    Filled,
    Held,
    Lent,
    Mark,
    Missed,
    Noted,
    PackMark,
    PackState,
    Swapped,
    TakenBack,
    Tick,
    Used,
    Weighed,
    relabelled,
)


class Conflict(Frozen):
    """Marks of one subject that say different things, made by devices that did not know of each other. All are kept."""

    subject: str
    marks: tuple[Mark, ...]


class Field(Frozen):
    """What stands. now: by subject, the mark that came last. log: what happened, in the order in which it came,
    without what was taken back.

    conflicts: subjects on which two devices disagree, until somebody says which is right. charges: how often packs
    were put on a charger, by item over all its pieces.
    """

    now: dict[str, Mark]
    log: tuple[Mark, ...]
    conflicts: tuple[Conflict, ...]
    charges: dict[str, int]

    def ticked(self) -> frozenset[str]:
        """Lines that are done."""
        ticks = (mark.what for mark in self.now.values())
        return frozenset(what.line for what in ticks if isinstance(what, Tick) and what.done)

    def weighed(self) -> dict[str, Weighed]:
        """The weighing that stands, by bag."""
        found = (m.what for m in self.now.values() if isinstance(m.what, Weighed))
        return {what.bag: what for what in found if what.grams is not None}


def fold(marks: Iterable[Mark]) -> Field:
    """Puts marks together in the order in which they came; clocks have no say in it.

    Of the marks of a subject those stand that no other replaces. A device knows its own earlier marks. Where several
    stand that say different things, that is a conflict; the last to come is shown meanwhile.

    >>> fold([]).now
    {}
    """
    by_subject: dict[str, list[Mark]] = {}
    log: list[Mark] = []
    taken_back: set[str] = set()
    for mark in marks:
        if isinstance(mark.what, TakenBack):
            taken_back.add(mark.what.mark)
        elif mark.subject is None:
            log.append(mark)
        else:
            by_subject.setdefault(mark.subject, []).append(mark)
    now: dict[str, Mark] = {}
    conflicts: list[Conflict] = []
    for subject, made in by_subject.items():
        standing = _standing(made)
        now[subject] = standing[-1]
        if any(mark.what != standing[0].what for mark in standing):
            conflicts.append(Conflict(subject=subject, marks=tuple(standing)))
    return Field(
        now=now,
        log=tuple(mark for mark in log if mark.id not in taken_back),
        conflicts=tuple(conflicts),
        charges=_charges(by_subject.values()),
    )


def _charges(by_subject: Iterable[Sequence[Mark]]) -> dict[str, int]:
    """A pack that two people put on the charger, one after the other, is charged once.

    The same marks count the same in whatever order they came: they are counted in the order in which they replace
    each other.
    """
    found: Counter[str] = Counter()
    for made in by_subject:
        states = [mark.what for mark in _as_made(made) if isinstance(mark.what, PackMark)]
        for before, after in zip([None, *states], states, strict=False):
            if after.state == "charging" and (before is None or before.state != "charging"):
                found[after.item] += 1
    return dict(found)


def _as_made(made: Sequence[Mark]) -> list[Mark]:
    """Marks of one subject with those that a mark replaces, or that its device made before, ahead of it.

    What is made side by side stands together, by id. Clocks have no say in it, nor has the order of arrival.
    """
    known = {mark.id: mark for mark in made}
    before: dict[str, set[str]] = {mark.id: {id_ for id_ in mark.after if id_ in known} for mark in made}
    by_device: dict[str, list[Mark]] = {}
    for mark in sorted(made, key=lambda m: (m.seq, m.id)):
        mine = by_device.setdefault(mark.device, [])
        if mine:
            before[mark.id].add(mine[-1].id)
        mine.append(mark)
    after: dict[str, list[str]] = {id_: [] for id_ in known}
    for id_, those in before.items():
        for one in those:
            after[one].append(id_)
    missing = {id_: len(those) for id_, those in before.items()}
    depth: dict[str, int] = {}

    def place(id_: str) -> None:
        depth[id_] = 1 + max((depth[b] for b in before[id_] if b in depth), default=0)

    ready = [id_ for id_, count in missing.items() if not count]
    while ready:
        place(mark_id := ready.pop())
        for later in after[mark_id]:
            missing[later] -= 1
            if not missing[later]:
                ready.append(later)
    # Marks that replace each other in a circle, as no honest device makes them, count as made side by side.
    for id_ in sorted(known.keys() - depth.keys()):
        place(id_)
    return sorted(made, key=lambda m: (depth[m.id], m.id))


def _standing(made: list[Mark]) -> list[Mark]:
    replaced = {id_ for mark in made for id_ in mark.after}
    last = {mark.device: mark.seq for mark in sorted(made, key=lambda m: m.seq)}
    standing = [m for m in made if m.id not in replaced and m.seq == last[m.device]]
    # Marks that replace each other in a circle, as no honest device makes them: then the last of all stands.
    return standing or made[-1:]


__all__ = [
    "Broke",
    "CardMark",
    "CardMarkState",
    "Cold",
    "Conflict",
    "Copied",
    "Field",
    "Filled",
    "Frame",
    "Held",
    "Lent",
    "Mark",
    "Missed",
    "Noted",
    "PackMark",
    "PackState",
    "Swapped",
    "TakenBack",
    "Tick",
    "Used",
    "Weighed",
    "fetch_line",
    "fold",
    "line_of",
    "relabelled",
    "relined",
]
