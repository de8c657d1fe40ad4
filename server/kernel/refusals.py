"""Why somebody is not let in just now."""


class OtherAccount(Exception):
    """A page that was opened by one account asks when another is signed in: nothing is told or done."""


class TooBusy(Exception):
    """More people sign in at once than are taken."""


class Paused(Exception):
    """Too many attempts: the next one counts after ``wait_s`` seconds."""

    def __init__(self, wait_s: float) -> None:
        self.wait_s = max(1, round(wait_s))
        minutes, seconds = divmod(self.wait_s, 60)
        parts = [f"{minutes} min"] * bool(minutes) + [f"{seconds} s"] * bool(seconds)
        super().__init__(f"Too many attempts. Try again in {' '.join(parts)}.")
