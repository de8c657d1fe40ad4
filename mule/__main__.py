"""``python -m mule assess|advise|choose|stow|schema``: JSON in and out. Only this touches files and streams."""

import argparse
import json
import sys
from pathlib import Path

from pydantic import BaseModel, ValidationError

from mule.analysis.loadouts import Outing, outing
from mule.analysis.power.claims import Claim, claims
from mule.analysis.power.fewest import types_asked
from mule.analysis.storage.stamina import power_case
from mule.base.deadline import Deadline
from mule.base.errors import InvalidInput, invalid
from mule.findings.advise import advise
from mule.findings.assess import Assessment, assess
from mule.findings.cures import cure
from mule.packing import StowCase, stow
from mule.plan import Plan, assemble, read
from mule.search.choosing import Asking, Choice, Point
from mule.search.suggest import suggest


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="python -m mule", description="Answers about a Narrow Mule plan file.")
    verbs = parser.add_subparsers(dest="verb", required=True)
    verb = verbs.add_parser("assess", help="print the assessment of a plan file as JSON")
    verb.add_argument("plan", type=Path, help="the plan file; - reads standard input")
    verb.add_argument("--kit", help="id of the kit to assess instead of the open one")
    verb = verbs.add_parser("advise", help="print what trying other kits says about a plan file's kit, as JSON")
    verb.add_argument("plan", type=Path, help="the plan file; - reads standard input")
    verb.add_argument("--kit", help="id of the kit to advise on instead of the open one")
    verb = verbs.add_parser("choose", help="print the best kits of a plan file as JSON")
    verb.add_argument("plan", type=Path, help="the plan file; - reads standard input")
    verb.add_argument("--kit", help="id of the kit to start from instead of the open one")
    verb.add_argument("--limit-g", type=float, help="most grams carried (default: what carriers and backs allow)")
    verb.add_argument("--points", type=int, default=20, help="kits on the curve (default 20; 1: only the best)")
    verb.add_argument("--seconds", type=float, default=60.0, help="time for the search (default 60)")
    verb.add_argument("--beyond-limits", action="store_true", help="search past what carriers and backs allow too")
    verb.add_argument("--others", action="store_true", help="with things that could be rented or borrowed")
    verb.add_argument("--by-days", action="store_true", help="only kits that can be carried out day by day")
    verb.add_argument("--open-bags", action="store_true", help="choose the bags, too")
    verb = verbs.add_parser("stow", help="print where everything in a kit goes, and what does not fit, as JSON")
    verb.add_argument("plan", type=Path, help="the plan file; - reads standard input")
    verb.add_argument("--kit", help="id of the kit to stow instead of the open one")
    verb.add_argument("--seconds", type=float, default=8.0, help="time for the search (default 8)")
    verbs.add_parser("schema", help="print the JSON Schema of the plan file")
    return parser


def _plan(path: Path, kit: str | None) -> Plan:
    text = sys.stdin.buffer.read() if str(path) == "-" else path.read_bytes()
    plan = read(text)
    if kit is None:
        return plan
    return assemble(plan.gear, plan.carriers, plan.trip, plan.kits, kit, plan.noted)


def _choose(plan: Plan, args: argparse.Namespace) -> Choice:
    """The choice, with each point on standard error as it is found. Raises InvalidInput for a senseless asking."""
    try:
        asking = Asking(
            limit_g=args.limit_g,
            points=args.points,
            seconds=args.seconds,
            keep_limits=not args.beyond_limits,
            others=args.others,
            by_days=args.by_days,
            open_bags=args.open_bags,
        )
    except ValidationError as error:
        raise invalid(error) from error
    return suggest(plan, asking, lambda point: print(_line(point), file=sys.stderr))


def _line(point: Point) -> str:
    state = "proved" if point.proved else f"at most {point.bound:.4f}"
    return f"{point.carried_g:8.0f} g  {point.score:8.4f}  steady {point.steady:4.0%}  {state}"


def _answer(plan: Plan, args: argparse.Namespace) -> BaseModel:
    match args.verb:
        case "choose":
            return _choose(plan, args)
        case "advise":
            made = cure(plan)
            return advise(plan).model_copy(update={"findings": made.findings, "stations": made.stations})
        case "stow":
            return stow(plan.items, plan.kit, Deadline(args.seconds), case=StowCase(plan.trip.marks.slots))
        case _:
            return _report(plan)


class _Report(Assessment):
    """The assessment with what screens beside the bench tell: what banks give, what each loadout weighs on whom."""

    banks: tuple[Claim, ...]
    loadouts: tuple[Outing, ...]


def _report(plan: Plan) -> _Report:
    case = power_case(plan)
    return _Report(
        **dict(assess(plan)),
        banks=tuple(claims(case, types_asked(case))),
        loadouts=tuple(outing(plan, loadout.id) for loadout in plan.kit.stow.loadouts),
    )


def main(arguments: list[str] | None = None) -> int:
    """Exit code 0 with the answer on standard output, 2 with the problems on standard error."""
    args = _parser().parse_args(arguments)
    if args.verb == "schema":
        print(json.dumps(Plan.model_json_schema(), indent=1))
        return 0
    try:
        plan = _plan(args.plan, args.kit)
        print(_answer(plan, args).model_dump_json(indent=1))
    except OSError as error:
        print(f"{args.plan}: {error.strerror}", file=sys.stderr)
        return 2
    except InvalidInput as error:
        for problem in error.problems:
            print(f"{problem.field or 'document'}: got {problem.value or 'nothing'}; {problem.rule}", file=sys.stderr)
        return 2
    return 0


if __name__ == "__main__":
    sys.exit(main())
