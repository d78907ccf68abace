"""``python -m mantello_reader [--port N] [--seed N] [--noise N] [--no-faults]``: serve until stopped."""

import argparse

from .instrument import NOISE, Instrument
from .service import ReaderService


def main() -> None:
    """Serve on loopback."""
    parser = argparse.ArgumentParser(prog="mantello_reader", description="A simulated colour reader.")
    parser.add_argument("--port", type=int, default=7410)
    parser.add_argument("--seed", type=int)
    parser.add_argument("--noise", type=float, default=NOISE)
    parser.add_argument("--no-faults", action="store_true")
    asked = parser.parse_args()
    with ReaderService(("127.0.0.1", asked.port), Instrument(asked.seed, asked.noise, not asked.no_faults)) as service:
        service.serve_forever()


if __name__ == "__main__":
    main()
