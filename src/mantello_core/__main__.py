"""The core as a command: ``python -m mantello_core VERB`` reads JSON and writes JSON."""

import sys

from .collecting import collect_seldom
from .formats.command import answer

if __name__ == "__main__":
    collect_seldom()
    verb = sys.argv[1] if len(sys.argv) > 1 else "help"
    status, text = answer(verb, sys.stdin.buffer.read() if verb != "help" else b"")
    sys.stdout.write(text)
    sys.exit(status)
