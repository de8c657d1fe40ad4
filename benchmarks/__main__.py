"""``python -m benchmarks [NAME...] [--json]``: runs the named workloads and prints each figure when it is ready.

Limits are judged on what a figure would be on the reference machine (``benchmarks.yardstick``).
"""

import argparse
import json
import os
import sys
from collections.abc import Callable, Iterator

import django

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings.test")
django.setup()

from benchmarks import site  # noqa: E402
from benchmarks.busy import bench_busy, bench_import_names  # noqa: E402
from benchmarks.choice import (  # noqa: E402
    bench_choose_60_wants,
    bench_choose_1000,
    bench_choose_curve,
    bench_choose_limits,
    bench_hang_up,
    bench_suggest_bags,
    bench_suggest_days,
)
from benchmarks.containers import bench_containers  # noqa: E402
from benchmarks.core import bench_advise, bench_advise_demo, bench_assess, bench_assess_demo, bench_cures_demo  # noqa: E402  Django is set up first: the lockers come from its typical table
from benchmarks.field import bench_exif, bench_import, bench_sheet  # noqa: E402
from benchmarks.idle import bench_idle  # noqa: E402
from benchmarks.members import bench_members  # noqa: E402
from benchmarks.memory import bench_look_backs  # noqa: E402
from benchmarks.outings import bench_days, bench_outing_propose  # noqa: E402
from benchmarks.sharing import bench_bags, bench_split  # noqa: E402
from benchmarks.stamina import bench_stamina  # noqa: E402
from benchmarks.stowing import (  # noqa: E402
    bench_stow,
    bench_stow_12,
    bench_stow_16,
    bench_stow_24,
    bench_stow_24_90,
    bench_stow_40,
    bench_stow_60_80,
    bench_stow_100_50,
)
from benchmarks.yardstick import Pace, paced  # noqa: E402
from server.kernel.process import keep_what_is_loaded  # noqa: E402

# As the server does.
keep_what_is_loaded()

Figures = dict[str, float]

WORKLOADS: dict[str, Callable[[], Figures]] = {
    "assess": bench_assess,
    "assess-demo": bench_assess_demo,
    "advise": bench_advise,
    "advise-demo": bench_advise_demo,
    "cures-demo": bench_cures_demo,
    "choose-curve": bench_choose_curve,
    "choose-limits": bench_choose_limits,
    "choose-60-wants": bench_choose_60_wants,
    "choose-1000": bench_choose_1000,
    "hang-up": bench_hang_up,
    "suggest-days": bench_suggest_days,
    "suggest-bags": bench_suggest_bags,
    "outing-propose": bench_outing_propose,
    "days": bench_days,
    "split": bench_split,
    "bags": bench_bags,
    "stamina": bench_stamina,
    "stow-12-90": bench_stow_12,
    "stow-24-80": bench_stow_24,
    "stow-16-90": bench_stow_16,
    "stow-24-90": bench_stow_24_90,
    "stow-40-80": bench_stow_40,
    "stow-60-80": bench_stow_60_80,
    "stow-100-50": bench_stow_100_50,
    "containers": bench_containers,
    "stow": bench_stow,
    "exif": bench_exif,
    "import": bench_import,
    "sheet": bench_sheet,
    "toggle": site.bench_toggle,
    "toggle-demo": site.bench_toggle_demo,
    "paint": site.bench_paint,
    "first-cure": site.bench_first_cure,
    "first-load": site.bench_first_load,
    "restart": site.bench_restart,
    "busy": bench_busy,
    "import-names": bench_import_names,
    "members": bench_members,
    "look-backs": bench_look_backs,
    "idle": bench_idle,
}

# What must hold: (workload, figure) -> the most it may be.
LIMITS: dict[tuple[str, str], float] = {
    ("assess", "p50_ms"): 8,
    ("assess", "p95_ms"): 12,
    ("assess", "times_dearer_at_2000"): 3,
    ("assess", "times_dearer_at_400_loaded"): 12,
    ("assess-demo", "p95_ms"): 15,
    ("advise-demo", "p95_ms"): 150,
    ("cures-demo", "p95_ms"): 400,
    ("choose-curve", "seconds"): 5,
    ("choose-curve", "first_point_s"): 0.5,
    ("choose-limits", "seconds"): 10,
    ("choose-60-wants", "seconds"): 15,
    ("choose-1000", "seconds"): 60,
    ("choose-1000", "first_point_s"): 2,
    ("hang-up", "longest_s"): 0.5,
    ("outing-propose", "seconds"): 1,
    ("split", "seconds"): 2,
    ("bags", "first_s"): 2,
    ("bags", "all_s"): 30,
    ("stamina", "p95_ms"): 8,
    ("stamina", "times_dearer_at_200_days"): 12,
    ("stow-12-90", "median_s"): 1,
    ("stow-24-80", "median_s"): 1,
    ("stow-100-50", "first_s"): 0.3,
    ("stow", "seconds"): 3,
    ("stow", "first_s"): 1,
    ("exif", "seconds"): 20,
    ("exif", "peak_mib"): 300,
    ("import", "seconds"): 10,
    ("sheet", "seconds"): 2,
    ("toggle", "p95_ms"): 40,
    ("toggle-demo", "p95_ms"): 40,
    ("paint", "median_ms"): 80,
    ("first-cure", "median_ms"): 150,
    ("first-load", "kib"): 300,
    ("restart", "again_s"): 4,
    ("busy", "p95_ms"): 250,
    ("import-names", "seconds"): 5,
    ("import-names", "longest_click_ms"): 500,
    ("look-backs", "grown_mib"): 8,
    ("idle", "core_pc"): 1,
    ("members", "start_s"): 4,
    ("members", "click_p95_ms"): 60,
    ("members", "archive_s"): 2,
    ("busy", "answers_5xx"): 0,
    ("busy", "lost_edits"): 0,
}

# The least it may be.
FLOORS: dict[tuple[str, str], float] = {
    ("stow-12-90", "solved_share"): 1,
    ("stow-24-80", "solved_share"): 1,
    ("stow-16-90", "solved_share"): 0.97,
    ("stow-24-90", "solved_share"): 0.6,
    ("stow-40-80", "solved_share"): 0.95,
    ("stow-60-80", "placed_volume"): 0.95,
    ("stow-100-50", "placed_volume"): 1,
    ("containers", "mean_fill"): 0.85,
    ("choose-1000", "proved_share"): 0.9,
}


def lines_of(name: str, figures: Figures, pace: Pace) -> Iterator[str]:
    """One line per figure: as measured, as it would be on the reference machine, and its limit where it has one."""
    for figure, value in figures.items():
        at_reference = pace.at_reference(figure, value)
        judged = _judged(name, figure, at_reference)
        unsteady = "   unsteady" if pace.unsteady and judged else ""
        yield f"{name:<16} {figure:<26} {value:>10.4g} {at_reference:>10.4g} {judged}{unsteady}"


def _judged(name: str, figure: str, value: float) -> str:
    most, least = LIMITS.get((name, figure)), FLOORS.get((name, figure))
    if most is not None:
        return f"{f'<= {most:g}':>9}{'' if value <= most else '   MISSED'}"
    return "" if least is None else f"{f'>= {least:g}':>9}{'' if value >= least else '   MISSED'}"


def main() -> int:
    """Runs the named workloads, or all; prints each figure as soon as it is known."""
    parser = argparse.ArgumentParser(prog="python -m benchmarks")
    parser.add_argument("names", nargs="*", choices=[[], *WORKLOADS], help="workloads; all when none is named")
    parser.add_argument("--json", action="store_true", help="print one JSON object, workload -> figures")
    args = parser.parse_args()
    if not args.json:
        print(f"{'workload':<16} {'figure':<26} {'measured':>10} {'reference':>10} {'limit':>9}", flush=True)
    results = {}
    for name in args.names or WORKLOADS:
        with paced() as pace:
            figures = WORKLOADS[name]()
        results[name] = {
            "measured": figures,
            "at_reference": {figure: pace.at_reference(figure, value) for figure, value in figures.items()},
            "yardstick_ms": [pace.before_ms, pace.after_ms],
            "stolen_share": pace.stolen,
            "unsteady": pace.unsteady,
        }
        if not args.json:
            print(*lines_of(name, figures, pace), sep="\n", flush=True)
            pc = f"{100 * pace.stolen:.0f}"
            print(f"{name:<16} yardstick {pace.before_ms:.0f}, {pace.after_ms:.0f} ms; host {pc} %", flush=True)
    if args.json:
        print(json.dumps(results, indent=1))
    return 0


if __name__ == "__main__":
    sys.exit(main())
