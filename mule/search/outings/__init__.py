"""Outings: what goes out of the door each morning, judged like a kit, and proposed. The front doors are ``judge_days``,
``look_for_day_cures`` and ``proposals``.

An outing becomes a plan (``day_plan``), and the parts of the core that answer for a kit answer for it
(docs/algorithms/outings.md).
"""

from mule.search.outings.answer import ByDays, DayBag, PacksOut, WantDays, WantOut
from mule.search.outings.base import AtBase, at_base, base_on
from mule.search.outings.day import day_plan, loadout_on
from mule.search.outings.days_carried import DaysCarried
from mule.search.outings.judge import NOT_OF_A_DAY, THERE, judge_days
from mule.search.outings.light_to_complete import SHARES, light_to_complete
from mule.search.outings.mending import day_of, look_for_day_cures, with_edits
from mule.search.outings.one_bag import Way
from mule.search.outings.proposing import OutingAsked, ProposedOuting, proposals, propose, ways_of

__all__ = [
    "NOT_OF_A_DAY",
    "SHARES",
    "THERE",
    "AtBase",
    "ByDays",
    "DayBag",
    "DaysCarried",
    "OutingAsked",
    "PacksOut",
    "ProposedOuting",
    "WantDays",
    "WantOut",
    "Way",
    "at_base",
    "base_on",
    "day_of",
    "day_plan",
    "judge_days",
    "light_to_complete",
    "loadout_on",
    "look_for_day_cures",
    "proposals",
    "propose",
    "ways_of",
    "with_edits",
]
