"""Rosters as JSON: a flat list of lines, or formations within formations down to units and ranks."""

from ...errors import OutOfRange, Unreadable
from ..strict_json import read_json
from .line import RosterLine, read_line, types_in
from .table import checked_length
from .told import Told
from .vocabulary import field_called

#: how deep formations may lie within each other
_DEEPEST = 12


def read_nested(text: str, titles: dict[str, str] | None) -> tuple[list[RosterLine], list[Told]]:
    """Lines of a JSON roster, and what it says besides.

    Lines are objects with the fields' names under any of their synonyms; an object that holds a list of
    objects, or objects by name, is a formation or unit called by its name.
    Raises: Unreadable if it is no JSON or holds no line; OutOfRange if it is too long or too deep.
    """
    data = read_json(text.encode("utf-8", "surrogatepass"), "The roster", "roster")
    walk = _Walk(titles)
    if isinstance(data, dict) and not walk.holds_line(data):
        walk.take_root(data)
    elif isinstance(data, (list, dict)):
        walk.take(data, ())
    if not walk.lines:
        raise Unreadable(
            'The roster is JSON without a list of lines; write [{"unit": ..., "type": ..., "figures": ...}].', "roster"
        )
    return walk.lines, walk.told


class _Walk:
    """The objects of a document one after another."""

    def __init__(self, titles: dict[str, str] | None):
        self.titles = titles
        self.lines: list[RosterLine] = []
        self.told: list[Told] = []

    def holds_line(self, data: dict) -> bool:
        """Whether an object is a line itself."""
        return any(
            field_called(str(key)) in ("type", "figures") and not isinstance(value, (list, dict))
            for key, value in data.items()
        )

    def take_root(self, data: dict) -> None:
        """The object about everything: its name is the army's, not a formation's."""
        for key, value in data.items():
            if isinstance(value, (list, dict)):
                self.take(value, () if isinstance(value, list) or field_called(str(key)) else (str(key),))
            elif value not in (None, ""):
                self._tell(f"{key}: {value}", "It is said of the whole roster; it adds no figures.")

    def take(self, data: object, path: tuple[str, ...]) -> None:
        """Whatever stands in the document at that place."""
        if len(path) > _DEEPEST:
            raise OutOfRange(f"The roster lies over {_DEEPEST} formations deep.", "roster")
        if isinstance(data, list):
            for one in data:
                self.take(one, path)
        elif isinstance(data, dict):
            self._object(data, path)
        else:
            self._line({"extra": str(data)[:200]}, path)

    def _object(self, data: dict, path: tuple[str, ...]) -> None:
        values, within, unknown = self._sorted(data)
        if not within and not unknown.get("counts"):
            self._line(values, path)
        else:
            if self.holds_line(data):
                self._line(values, path)
            name = values.get("unit") or values.get("formation") or ""
            inner = (*path, *(step.strip() for step in name.split(" / ") if step.strip()))
            for key, value in within:
                named = isinstance(value, dict) and not field_called(key)
                self.take(value, (*inner, key) if named else inner)
            for type_id, figures in unknown.pop("counts", {}).items():
                self._line({"type": type_id, "figures": figures}, inner)
        for key, said in unknown.items():
            if key != "counts":
                self._tell(f"{key}: {said}", "It is no field of a roster; it is not kept.")

    def _sorted(self, data: dict) -> tuple[dict[str, str], list[tuple[str, object]], dict]:
        """Fields, what lies within, and the rest of an object."""
        values: dict[str, str] = {}
        within: list[tuple[str, object]] = []
        unknown: dict = {}
        for key, value in data.items():
            key = str(key)
            if isinstance(value, dict) or (
                isinstance(value, list) and any(isinstance(one, (dict, list)) for one in value)
            ):
                within.append((key, value))
                continue
            said = " / ".join(map(str, value)) if isinstance(value, list) else "" if value is None else str(value)
            field = field_called(key)
            if field and not values.get(field):
                values[field] = said[:400]
            elif field == "unit" and not values.get("rank"):
                values["rank"] = said[:400]
            elif isinstance(value, int) and not isinstance(value, bool) and len(types_in(key, self.titles)) == 1:
                unknown.setdefault("counts", {})[key] = said
            elif said:
                unknown[key[:80]] = said[:400]
        return values, within, unknown

    def _line(self, values: dict[str, str], path: tuple[str, ...]) -> None:
        values = dict(values)
        if not values.get("unit") and path:
            values["unit"], path = path[-1], path[:-1]
        if path:
            values["formation"] = " / ".join(filter(None, (*path, values.get("formation", ""))))
        if not values.get("type"):
            told = next(
                (values[one] for one in ("rank", "unit") if len(types_in(values.get(one, ""), self.titles)) == 1), ""
            )
            values["type"] = told
        self.lines.append(read_line(len(self.lines) + 1, values, self.titles))
        checked_length(len(self.lines))

    def _tell(self, text: str, words: str) -> None:
        self.told.append(Told(len(self.lines), text[:400], "remark", words))
