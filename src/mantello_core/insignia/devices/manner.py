"""The manner of a mark: how it is made, how far it is turned, which way it faces, what lies beneath and round it."""

from dataclasses import dataclass

from ...errors import OutOfRange, UnknownName
from .device import ARMS, Device

#: how a mark is made, id to name
METHODS = {
    "freehand": "by hand",
    "stencil": "by stencil",
    "transfer": "as transfer",
    "cast": "cast, picked out",
}
#: which way it faces on the other side: '' is as usual for its kind
FACINGS = {
    "": "as usual",
    "turned": "towards pole or prow on both sides",
    "same": "alike on both sides",
}
#: views that show the other side of what is seen from two sides
REVERSES = ("back", "right")
#: degrees a mark may be turned, either way
MOST_TURN = 180
#: mm a line round a mark may be wide
LINES = (0.1, 3.0)


@dataclass(frozen=True)
class Manner:
    """How a mark is put on. Roles are ids of the scheme; '' for none."""

    method: str = "freehand"
    #: degrees clockwise
    turn: float = 0.0
    facing: str = ""
    #: role of a patch that the mark lies on, in place of the area's own colour
    ground: str = ""
    #: role of a line round the mark, and how wide that is, mm
    outline: str = ""
    line: float = 0.3


#: by hand, upright, as usual
PLAIN_MANNER = Manner()


def checked_manner(manner: Manner, device: Device, where: str = "manner") -> Manner:
    """The manner, if the device can be put on so. Roles are for the scheme to check.

    Raises: UnknownName for method or facing; OutOfRange for turn or line, or for numerals that would face backwards.
    """
    at = f"{where}/" if where else ""
    if manner.method not in METHODS:
        raise UnknownName("method", manner.method, list(METHODS), f"{at}method")
    if manner.facing not in FACINGS:
        raise UnknownName("facing", manner.facing, list(FACINGS), f"{at}facing")
    if not -MOST_TURN <= manner.turn <= MOST_TURN:
        raise OutOfRange(f"A turn of {manner.turn:g} degrees; allowed is -{MOST_TURN} to {MOST_TURN}.", f"{at}turn")
    if not LINES[0] <= manner.line <= LINES[1]:
        raise OutOfRange(f"A line of {manner.line:g} mm; allowed is {LINES[0]:g} to {LINES[1]:g}.", f"{at}line")
    if manner.facing == "turned" and device.kind == "text":
        raise OutOfRange(
            "Numerals and letters would read backwards on the other side; allowed is 'alike on both sides'.",
            f"{at}facing",
        )
    return manner


def mirrored(device: Device, manner: Manner, view: str) -> bool:
    """Whether a view shows the mark mirrored: arms face pole and prow unless told otherwise, other marks stay alike."""
    turned = manner.facing == "turned" or (manner.facing == "" and device.kind == ARMS)
    return turned and view in REVERSES
