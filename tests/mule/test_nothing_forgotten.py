"""What belongs to a finding is all there: who adds one and forgets a part is told which."""

import ast
from pathlib import Path
from typing import get_args

import pytest

from mule.findings import cures, rules
from mule.findings.cures import aids, apart, links, luggage, marks, pictures, power, wants
from mule.findings.cures.getting import usual, with_gets
from mule.findings.cures.making import Proposals
from mule.findings.cures.proposers import ELSEWHERE, PROPOSERS, TO_BE_KNOWN
from mule.findings.rules import RULES, TRIAL_RULES
from mule.findings.said import FINDINGS
from mule.findings.said.gets import UsualSort
from mule.findings.said.told import Told
from tests import cast


def written(package: Path) -> list[ast.Module]:
    return [ast.parse(module.read_text()) for module in sorted(package.rglob("*.py"))]


RULES_AT = written(Path(rules.__file__).parent)


def test_every_rule_speaks() -> None:
    made = {
        node.name
        for module in RULES_AT
        for node in module.body
        if isinstance(node, ast.ClassDef) and node.name.endswith("Rule") and not node.bases
    }
    assert made == {type(rule).__name__ for rule in (*RULES, *TRIAL_RULES)}


@pytest.mark.parametrize("type_", FINDINGS, ids=lambda type_: type_.__name__)
def test_every_finding_is_said_by_a_rule(type_: type[Told]) -> None:
    named = {node.attr for module in RULES_AT for node in ast.walk(module) if isinstance(node, ast.Attribute)}
    assert type_.__name__ in named


@pytest.mark.parametrize("type_", FINDINGS, ids=lambda type_: type_.__name__)
def test_every_finding_has_ways_out_or_a_reason_why_not(type_: type[Told]) -> None:
    assert [type_ in PROPOSERS, type_ in ELSEWHERE, type_ in TO_BE_KNOWN].count(True) == 1


def test_every_way_out_is_proposed_in_one_place() -> None:
    each: list[Proposals] = [m.PROPOSALS for m in (aids, apart, links, luggage, marks, pictures, power, wants)]
    assert sum(map(len, each)) == len(PROPOSERS)
    proposing = {path.stem for path in Path(cures.__file__).parent.glob("*.py") if "\nPROPOSALS" in path.read_text()}
    assert len(proposing) == len(each)


@pytest.mark.parametrize("what", get_args(UsualSort))
def test_everything_that_can_be_got_can_be_tried(what: UsualSort) -> None:
    plan = cast.plan([cast.body()], cast.entry("body", cast.ON_INES))
    tried, edits = with_gets(plan, [usual(what, "SD")])
    assert tried.items[edits[0].item].mass_g == usual(what, "SD").mass_g > 0


def test_codes_tell_findings_apart() -> None:
    codes = [type_.model_fields["code"].default for type_ in FINDINGS]
    assert len(set(codes)) == len(codes) > 70
