"""A small simulated luggage scale: JSON lines on a local TCP port, as a real one sends them over serial.

    python -m server.ops.demo.scale --grams 8420 [--tare 120] [--overload] [--drop-out] [--garbage]

It swings before it settles, as a bag on a hook does. It is deterministic: the same seed swings the same way.
"""

import argparse
import json
import random
import socket
import sys
import time
from collections.abc import Iterator
from dataclasses import dataclass

# Where the app looks for it (SCALE_ADDRESS).
PORT = 7071
# What it bears.
MOST_G = 50_000
_LINES = 40
_EVERY_S = 0.05


@dataclass(frozen=True)
class Load:
    """What hangs on the hook, and what goes wrong."""

    grams: float
    tare: float = 0.0
    overload: bool = False
    drop_out: bool = False
    garbage: bool = False
    seed: int = 1


def lines(load: Load) -> Iterator[bytes]:
    """What the scale sends for one weighing: swinging, then still to a few grams."""
    chance = random.Random(load.seed)
    for number in range(_LINES):
        if load.garbage and number % 3 == 1:
            yield b'{"grams": 84\xff\x00,,\n'
            continue
        if load.drop_out and number == 5:
            return
        if load.overload or load.grams > MOST_G:
            yield b'{"state": "overload"}\n'
            continue
        swing = 0.5**number * load.grams * 0.4 * chance.choice((-1, 1))
        shown = round((load.grams + load.tare + swing + chance.uniform(-2, 2)) / 5) * 5
        yield json.dumps({"grams": max(0, shown), "tare": load.tare, "unit": "g"}).encode() + b"\n"


def serve(listener: socket.socket, load: Load, every_s: float = _EVERY_S, weighings: int | None = None) -> None:
    """Answers each connection with one weighing; for ever, or so many times."""
    done = 0
    while weighings is None or done < weighings:
        connection, _ = listener.accept()
        with connection:
            try:
                for line in lines(load):
                    connection.sendall(line)
                    time.sleep(every_s)
            except OSError:
                # The reader had heard enough.
                pass
        done += 1


def main() -> None:
    """Starts the scale."""
    parser = argparse.ArgumentParser(description="A simulated luggage scale.")
    parser.add_argument("--grams", type=float, default=8_420)
    parser.add_argument("--tare", type=float, default=0)
    parser.add_argument("--port", type=int, default=PORT)
    for flag in ("overload", "drop-out", "garbage"):
        parser.add_argument(f"--{flag}", action="store_true")
    told = parser.parse_args()
    load = Load(told.grams, told.tare, told.overload, told.drop_out, told.garbage)
    with socket.create_server(("127.0.0.1", told.port)) as listener:
        sys.stdout.write(f"scale on 127.0.0.1:{told.port}, {told.grams:g} g on the hook\n")
        sys.stdout.flush()
        serve(listener, load)


if __name__ == "__main__":
    main()
