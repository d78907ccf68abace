"""Figure types of a painter's own: made from parts, or drawn elsewhere and read in."""

import hashlib
import json
from dataclasses import dataclass, field, replace

from ..memory import Memory
from .kit import Making
from .plate import Plate, plate_from

#: what the id of an own type begins with, so that none can stand for a shipped one
PREFIX = "own-"
#: the most own types an army may hold
MOST_TYPES = 40
#: plates by what they follow from alone
_KEPT_BYTES = 16 * 2**20
_plates = Memory("own plates", _KEPT_BYTES)


@dataclass(frozen=True)
class OwnType:
    """One figure type that is no shipped one."""

    id: str
    title: str
    #: of the drawing: two types with one digest look the same
    digest: str
    plate: Plate = field(compare=False, repr=False)
    #: what it was put together from; None for a drawing that was read in
    making: Making | None = None

    def titled(self, title: str) -> "OwnType":
        """The same type under another title."""
        return replace(self, title=title, plate=replace(self.plate, title=title))


def own_type(type_id: str, title: str, drawing: dict, making: Making | None = None, digest: str = "") -> OwnType:
    """A type from its drawing: ``kind`` and ``views`` as ``drafting`` gives them. digest: if it is known already."""
    digest = digest or digest_of(drawing)
    return OwnType(type_id, title, digest, _plate(type_id, title, digest, drawing), making)


def made_type(type_id: str, title: str, making: Making) -> tuple[OwnType, dict]:
    """A type from a choice of parts, and its drawing; takes a second or two a view.

    Raises: what ``made_figure`` refuses.
    """
    from .drafting import drafted  # with all parts and shapely: not for those who never draw
    from .kit import made_figure

    made = drafted(made_figure(type_id, title, making))
    drawing = {"kind": made["kind"], "views": made["views"]}
    return own_type(type_id, title, drawing, making), drawing


def digest_of(drawing: dict) -> str:
    """A name for a drawing that follows from it alone: 64 hexadecimal digits."""
    text = json.dumps(drawing, sort_keys=True, separators=(",", ":"), ensure_ascii=True)
    return hashlib.sha256(text.encode()).hexdigest()


def _plate(type_id: str, title: str, digest: str, drawing: dict) -> Plate:
    """The plate, the same object for the same drawing: what is worked out of a plate is kept by identity."""
    return _plates.answer((type_id, title, digest), lambda: plate_from({**drawing, "id": type_id, "title": title}))
