"""``python -m mule assess|schema``: JSON in, JSON out. The only file of the core that touches files and streams."""

import argparse
import json
import sys
from pathlib import Path

from mule.assess import assess
from mule.errors import InvalidInput
from mule.plan import Plan, read


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="python -m mule", description="Assess a Narrow Mule plan file.")
    verbs = parser.add_subparsers(dest="verb", required=True)
    verb = verbs.add_parser("assess", help="print the assessment of a plan file as JSON")
    verb.add_argument("plan", type=Path, help="the plan file; - reads standard input")
    verb.add_argument("--kit", help="id of the kit to assess instead of the open one")
    verbs.add_parser("schema", help="print the JSON Schema of the plan file")
    return parser


def _plan(path: Path, kit: str | None) -> Plan:
    text = sys.stdin.buffer.read() if str(path) == "-" else path.read_bytes()
    plan = read(text)
    if kit is None:
        return plan
    return Plan(gear=plan.gear, carriers=plan.carriers, trip=plan.trip, kits=plan.kits, open_kit=kit)


def main(arguments: list[str] | None = None) -> int:
    """Exit code 0 with the answer on standard output, 2 with the problems on standard error."""
    args = _parser().parse_args(arguments)
    if args.verb == "schema":
        print(json.dumps(Plan.model_json_schema(), indent=1))
        return 0
    try:
        print(assess(_plan(args.plan, args.kit)).model_dump_json(indent=1))
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
