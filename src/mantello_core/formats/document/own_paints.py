"""A painter's own paints as JSON: what was said of them, so that every reader estimates the same paint."""

from ...colour.spaces import Lab
from ...errors import Unreadable
from ...paints.estimate import CardReading
from ...paints.own import Optics, OwnPaint, checked_own, own_paint
from ...paints.paint import Paint
from .pointer import at

#: own paints in one document at most
MOST_OWN = 400


def write_own_paint(said: OwnPaint) -> dict:
    """What was said of a paint, JSON-ready."""
    readings = [
        {"kind": one.kind, "lab": list(one.colour)}
        if one.colour is not None
        else {"kind": one.kind, "contrast": one.contrast}
        for one in said.readings
    ]
    return {
        "id": said.id, "name": said.name, "kind": said.kind, "finish": said.finish, "volume": said.volume,
        "readings": readings,
    }  # fmt: skip


def read_own_paint(data: object, where: str = "", optics: Optics | None = None) -> Paint:
    """The paint of what ``write_own_paint`` wrote; its id follows from what is said and is not believed.

    optics: as they were estimated before, if the caller kept them.
    Raises: what ``read_said`` refuses.
    """
    return own_paint(read_said(data, where), optics=optics)


def read_said(data: object, where: str = "") -> OwnPaint:
    """What was said of a paint, without what follows from it.

    Raises: Unreadable with a place; what ``checked_own`` refuses.
    """
    try:
        readings = tuple(
            CardReading(
                one["kind"], Lab(*(float(value) for value in one["lab"])) if "lab" in one else None, one.get("contrast")
            )
            for one in data["readings"]
        )
        said = OwnPaint(
            str(data["name"]),
            str(data["kind"]),
            readings,
            str(data.get("finish", "matt")),
            float(data.get("volume", 17.0)),
        )
        with at(where):
            checked_own(said)
    except (KeyError, TypeError, ValueError, AttributeError) as error:
        raise Unreadable(
            f"An own paint reads like {{name, kind, readings: [{{kind, lab}}]}}; this one does not: {error}.", where
        ) from error
    if data.get("id", said.id) != said.id:
        raise Unreadable(
            f"The paint {said.name} has the id {said.id} by what is said of it, not {str(data['id'])[:60]}.",
            f"{where}/id",
        )
    return said
