"""A painter's own paints as JSON: what was said of them, so that every reader estimates the same paint."""

from ...colour.spaces import Lab
from ...errors import Unreadable
from ...paints.estimate import CardReading
from ...paints.own import OwnPaint, own_paint
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


def read_own_paint(data: object, where: str = "") -> Paint:
    """The paint of what ``write_own_paint`` wrote; its id follows from what is said and is not believed.

    Raises: Unreadable with a place; what ``own_paint`` refuses.
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
    except (KeyError, TypeError, ValueError, AttributeError) as error:
        raise Unreadable(
            f"An own paint reads like {{name, kind, readings: [{{kind, lab}}]}}; this one does not: {error}.", where
        ) from error
    with at(where):
        pot = own_paint(said)
    if data.get("id", pot.id) != pot.id:
        raise Unreadable(
            f"The paint {said.name} has the id {pot.id} by what is said of it, not {str(data['id'])[:60]}.",
            f"{where}/id",
        )
    return pot
