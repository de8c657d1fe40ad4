"""How a process spends its time."""

import gc
import sys

# An edit asks the database a dozen times and lets go of the interpreter each time. Where advice is computed meanwhile,
# it got it back after 5 ms each (CPython's default).
_SWITCH_S = 0.000_5


def share_time() -> None:
    """Answers come between the steps of a search, not after them."""
    sys.setswitchinterval(_SWITCH_S)


def keep_what_is_loaded() -> None:
    """What is loaded by now stays for good: keeps the collector from walking it on every click. An answer makes some
    thousands of small values that go again with it: cycles are looked for after several answers, not within each."""
    gc.freeze()
    gc.set_threshold(20_000, 20, 50)
