"""What belongs to a finding is all there: who adds one and forgets a part is told which."""

import ast
from pathlib import Path

import pytest

from mule.findings import cures, rules
from mule.findings.cures import aids, apart, links, luggage, marks, pictures, power, wants
from mule.findings.cures.making import Proposals
from mule.findings.cures.proposers import ELSEWHERE, PROPOSERS, TO_BE_KNOWN
from mule.findings.rules import RULES, TRIAL_RULES
from mule.findings.said import FINDINGS
from mule.findings.said.told import Told


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


def test_codes_tell_findings_apart() -> None:
    codes = [type_.model_fields["code"].default for type_ in FINDINGS]
    assert len(set(codes)) == len(codes) > 70
