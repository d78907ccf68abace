"""Asking a colour reader; see docs/formats/reader.md. Which one is a setting, so that a real one can take its place."""

import json
import math
import socket
from dataclasses import dataclass

from django.conf import settings

from mantello_core.colour.spaces import Lab
from mantello_core.errors import MantelloError
from mantello_core.paints.own import checked_colour

#: seconds to wait for an answer, bytes of one at most
PATIENCE, MOST_BYTES = 3.0, 20_000


class ReaderError(Exception):
    """No reading came; the message is for the painter."""


@dataclass(frozen=True)
class Identity:
    """What a reader says of itself: its name, and what the simulated one can be held to."""

    name: str
    simulated: bool
    samples: tuple[tuple[str, str], ...]


def identify() -> Identity | None:
    """The reader that is there; None if there is none or it does not answer."""
    try:
        said = _asked({"do": "identify"})
        samples = tuple((str(one["id"]), str(one["name"])) for one in said.get("samples", ()))
        return Identity(str(said["name"])[:80], bool(said.get("simulated")), samples[:50])
    except (ReaderError, KeyError, TypeError):
        return None


def read(held: str, sample: str = "") -> Lab:
    """One reading.

    Raises: ReaderError with what the instrument says, or that it does not answer.
    """
    return _colour({"do": "read", "held": held, "sample": sample})


def read_figure(sample: str, expected: Lab) -> Lab:
    """One reading on a painted figure. sample and expected: what it is and what is predicted there, for a simulated one.

    Raises: as ``read``.
    """
    return _colour(
        {"do": "read", "held": "figure", "sample": sample, "expected": [round(value, 3) for value in expected]}
    )


def _colour(request: dict) -> Lab:
    said = _asked(request)
    try:
        numbers = [float(value) for value in said["lab"]]
        if len(numbers) != 3 or not all(map(math.isfinite, numbers)):
            raise ValueError
        return checked_colour(Lab(*numbers))
    except (KeyError, TypeError, ValueError) as error:
        raise ReaderError("The reader sent something that is no colour. Read again.") from error
    except MantelloError as error:
        raise ReaderError(f"The reader sent something that is no colour: {error.message}") from error


def _asked(request: dict) -> dict:
    host, _, port = settings.MANTELLO_READER.rpartition(":")
    if not host or not port.isdigit():
        raise ReaderError("No colour reader is set up.")
    try:
        with socket.create_connection((host, int(port)), PATIENCE) as line:
            line.settimeout(PATIENCE)
            line.sendall((json.dumps(request) + "\n").encode())
            said = json.loads(line.makefile("rb").readline(MOST_BYTES))
    except (OSError, ValueError, RecursionError) as error:
        raise ReaderError("The colour reader does not answer. Is it switched on?") from error
    if not isinstance(said, dict):
        raise ReaderError("The colour reader does not answer as it should.")
    if not said.get("ok"):
        raise ReaderError(str(said.get("message", "The reading failed."))[:200])
    return said
