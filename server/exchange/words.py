"""Tasks in words, for paper and calendars."""

from mule.packout import Task
from mule.plan import Plan

_TASKS = {
    "charge": "Charge packs and banks",
    "devices": "Charge laptop, tablet, phones",
    "format": "Format cards, once their pictures are copied",
    "firmware": "Camera firmware: update now or leave it",
    "clock": "Set camera clocks alike",
    "sensor": "Clean sensors",
    "permits": "Permits and local rules",
    "documents": "Documents and tickets",
    "medicine": "Medicine, glasses",
}


def task_head(task: Task, plan: Plan) -> str:
    """What is to be done: "Charge packs and banks", "Fetch Hand warmers"."""
    return f"Fetch {task_things(task, plan)}" if task.kind == "fetch" else _TASKS[task.kind]


def task_things(task: Task, plan: Plan) -> str:
    """The things a task is about, by name."""
    return ", ".join(plan.items[item].name for item in task.items)
