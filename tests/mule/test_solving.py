"""How searches end: by time, by being stopped, by a proof; none taken for another."""

from threading import Event, Timer
from time import monotonic

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Impossible, OutOfTime, Solved, solve


def pigeons(count: int) -> cp_model.CpModel:
    """More pigeons than holes, told in a way that takes a solver without symmetry very long."""
    model = cp_model.CpModel()
    sits = [[model.new_bool_var("") for _ in range(count)] for _ in range(count + 1)]
    for pigeon in sits:
        model.add_bool_or(pigeon)
    for hole in range(count):
        for one in range(count + 1):
            for other in range(one):
                model.add_bool_or([~sits[one][hole], ~sits[other][hole]])
    return model


def stubborn() -> cp_model.CpSolver:
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.symmetry_level = 0
    solver.parameters.cp_model_presolve = False
    solver.parameters.linearization_level = 0
    return solver


def test_a_deadline_ends_by_time_and_its_parts_never_later() -> None:
    whole = Deadline(0.2)
    assert not whole.stopped
    assert whole.soonest(10).left_s <= whole.left_s + 1e-3
    assert Deadline(0).stopped
    assert Deadline(0).left_s == 0


def test_who_asks_to_stop_stops_every_part_and_it_stays_so() -> None:
    answers = iter([True, False, False])
    deadline = Deadline(60, lambda: next(answers))
    assert deadline.stopped
    assert deadline.stopped
    assert Deadline(0, lambda: True).grant(60).stopped
    assert not Deadline(0, lambda: False).grant(60).stopped


def test_what_has_no_way_is_impossible_and_what_had_no_time_is_not() -> None:
    assert solve(pigeons(3), Deadline(20)) == Impossible()
    assert solve(pigeons(3), Deadline(0)) == OutOfTime()
    assert solve(pigeons(60), Deadline(0.3), stubborn()) == OutOfTime()


def test_a_way_that_was_found_says_whether_it_is_the_best() -> None:
    model = cp_model.CpModel()
    some = model.new_int_var(0, 7, "")
    model.maximize(2 * some)
    ending = solve(model, Deadline(20))
    assert isinstance(ending, Solved)
    assert (ending.value(some), ending.best, ending.bound) == (7, True, 14)


def test_a_running_solver_is_stopped_when_nobody_waits_any_more() -> None:
    asked = Event()
    Timer(0.3, asked.set).start()
    start = monotonic()
    assert solve(pigeons(60), Deadline(60, asked.is_set), stubborn()) == OutOfTime()
    # Not a measurement (that is the benchmark's): without being stopped it goes on for a minute.
    assert monotonic() - start < 20
