"""Puts small faults into the modules below, one at a time, and lists those that the tests of that module let pass.

Runs in clones of the last commit: the work tree stays as it is. It takes up to an hour and is not part of `make test`.
"""

import re
import shutil
import subprocess
import sys
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import SimpleQueue

from cosmic_ray.work_db import WorkDB, use_db
from cosmic_ray.work_item import TestOutcome, WorkerOutcome

HOME = Path(__file__).parent.parent
_BUILT = HOME / ".build/mutants"
_BIN = HOME / ".venv/bin"
# The least share of all mutants that a test has to notice.
LEAST_KILLED = 0.9
_AT_ONCE = 2
# A mutant that never ends counts as noticed.
_TIMEOUT_S = 120.0
# Plugins that these runs do without: each run is a second shorter.
_SMALL = "-p no:xdist -p no:cov -p no:schemathesis"

# Modules, with the tests that have to notice.
_CORE = "tests/mule/test_"
TRIED: dict[str, tuple[str, ...]] = {
    "mule/plan/editing.py": ("editing", "editing_properties"),
    "mule/analysis/load/__init__.py": ("load", "editing"),
    "mule/analysis/carriers/__init__.py": ("carriers",),
    "mule/analysis/carriers/restricted.py": ("restricted",),
    "mule/plan/carriers/rules.py": ("carriers",),
    "mule/analysis/gate/__init__.py": ("gate_drill", "gate"),
    "mule/analysis/gate/legs.py": ("gate",),
    "mule/analysis/gate/limits.py": ("mass_limits",),
    "mule/findings/cures/problem.py": ("problem",),
    "server/trips/lending.py": ("tests/server/test_lending.py", "tests/server/test_planning_along.py"),
    "server/trips/seen.py": ("tests/server/test_planning_along.py", "tests/server/test_sharing.py"),
}

# Each operator becomes its nearest neighbour. A mutant that fails wherever it runs would say nothing about the tests.
_OPERATORS = (
    "ReplaceBinaryOperator_Add_Sub",
    "ReplaceBinaryOperator_Sub_Add",
    "ReplaceBinaryOperator_Mul_Div",
    "ReplaceBinaryOperator_Div_Mul",
    "ReplaceBinaryOperator_FloorDiv_Div",
    "ReplaceBinaryOperator_Mod_Mul",
    "ReplaceComparisonOperator_Eq_NotEq",
    "ReplaceComparisonOperator_NotEq_Eq",
    "ReplaceComparisonOperator_Lt_(LtE|Gt)",
    "ReplaceComparisonOperator_LtE_(Lt|GtE)",
    "ReplaceComparisonOperator_Gt_(GtE|Lt)",
    "ReplaceComparisonOperator_GtE_(Gt|LtE)",
    "ReplaceComparisonOperator_Is_IsNot",
    "ReplaceComparisonOperator_IsNot_Is",
    "ReplaceUnaryOperator_USub_UAdd",
    "ReplaceUnaryOperator_Delete_Not",
    "AddNot",
    "ReplaceTrueWithFalse",
    "ReplaceFalseWithTrue",
    "ReplaceAndWithOr",
    "ReplaceOrWithAnd",
    "ReplaceBreakWithContinue",
    "ReplaceContinueWithBreak",
    "ExceptionReplacer",
    "NumberReplacer",
    "ZeroIterationForLoop",
)


def main(names: list[str]) -> int:
    """Tries the mutants of the named modules, or of all; prints the survivors. Fails when there are too many."""
    chosen = [module for module in TRIED if not names or any(name in module for name in names)]
    homes: SimpleQueue[Path] = SimpleQueue()
    for number in range(_AT_ONCE):
        homes.put(_cloned(_BUILT / f"clone-{number}"))

    def tried(module: str) -> tuple[str, Counter[str], list[str]]:
        home = homes.get()
        try:
            return module, *_tried(module, home)
        finally:
            homes.put(home)

    sums: Counter[str] = Counter()
    with ThreadPoolExecutor(_AT_ONCE) as side_by_side:
        for module, counts, survivors in side_by_side.map(tried, chosen):
            sums += counts
            print("\n".join(survivors))
            print(f"{module}: {counts['killed']} of {counts.total()} mutants noticed", flush=True)
    share = sums["killed"] / max(1, sums.total())
    print(f"In all {sums['killed']} of {sums.total()}, {share:.1%} (at least {LEAST_KILLED:.0%})")
    return share < LEAST_KILLED


def _cloned(home: Path) -> Path:
    """The last commit, compiled so that a changed file counts as changed within the same second, too."""
    shutil.rmtree(home, ignore_errors=True)
    subprocess.run(["git", "clone", "--quiet", "--shared", HOME, home], check=True)
    built = ("-m", "compileall", "-q", "--invalidation-mode", "checked-hash", "mule", "server", "tests", "benchmarks")
    subprocess.run([_BIN / "python", *built], cwd=home, check=True)
    return home


def _tried(module: str, home: Path) -> tuple[Counter[str], list[str]]:
    """Counts the mutants of a module that its tests noticed and those they let pass, with the changes of the latter."""
    tests = " ".join(name if "/" in name else f"{_CORE}{name}.py" for name in TRIED[module])
    small = _SMALL if module.startswith("server/") else f"{_SMALL} -p no:django"
    only = "|".join(_OPERATORS)
    settings = home / "mutants.toml"
    session = home / "mutants.sqlite"
    session.unlink(missing_ok=True)
    settings.write_text(
        f"""
        [cosmic-ray]
        module-path = "{module}"
        timeout = {_TIMEOUT_S}
        excluded-modules = []
        test-command = "{_BIN / "python"} -m pytest -x -q -p no:cacheprovider {small} {tests}"
        [cosmic-ray.distributor]
        name = "local"
        [cosmic-ray.filters.operators-filter]
        exclude-operators = ["core/(?!({only})$)"]
        """
    )
    for command in (
        ("cosmic-ray", "init", settings, session),
        ("cr-filter-operators", session, settings),
        ("cosmic-ray", "baseline", settings),
        ("cosmic-ray", "exec", settings, session),
    ):
        subprocess.run([_BIN / command[0], *command[1:]], cwd=home, check=True, stdout=subprocess.DEVNULL)
    counts: Counter[str] = Counter()
    survivors = []
    with use_db(str(session), WorkDB.Mode.open) as kept:
        for _, result in kept.results:
            if result.worker_outcome == WorkerOutcome.SKIPPED:
                continue
            passed = result.test_outcome == TestOutcome.SURVIVED
            counts["survived" if passed else "killed"] += 1
            if passed:
                survivors.append(_change(result.diff))
    return counts, sorted(survivors)


def _change(diff: str) -> str:
    """The lines that a mutant changes."""
    return "\n".join(line for line in diff.splitlines() if re.match(r"[-+](?![-+])|@@", line))


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
