"""The brief: what the army is for, in one page; a new scheme starts from it."""

from dataclasses import dataclass, replace
from datetime import date

from ..colour.acuity import DISTANCES
from ..errors import OutOfRange, UnknownName, Unreadable
from ..naming import named
from ..recipes.method import METHODS

#: what drawings are scaled to, mm from sole to crown
DRAWN_MM = 28.0


@dataclass(frozen=True)
class Genre:
    """A kind of force, and what its cloth is usually like."""

    title: str
    note: str
    #: CIELAB lightness and chroma of the main cloth: least and most
    lightness: tuple[float, float]
    chroma: tuple[float, float]
    #: whether formations differ in two large colours instead of in small marks
    two_colours: bool = False


GENRES = {
    "drill": Genre("Drilled regiments", "one coat for all; facings tell formations apart", (15, 62), (12, 75)),
    "houses": Genre("Sworn houses", "two strong colours for each house, as arms have", (8, 100), (0, 90), True),
    "marsh": Genre("Scouts and marsh folk", "broken, earthy cloth; one small bright mark", (28, 62), (5, 34)),
    "guard": Genre("Elite guard", "dark cloth, bright metal, glowing marks", (0, 36), (0, 60)),
}
#: how far the painter binds the scheme to sources, and the most chroma that old dyes are trusted with
ACCURACIES = {
    "strict": ("Strict", 48.0),
    "plausible": ("Plausible", 72.0),
    "free": ("Free", 200.0),
}
MOST_FORMATIONS, MOST_DIRT = 12, 5


@dataclass(frozen=True)
class Brief:
    """What a painter says before the first colour."""

    genre: str = "drill"
    #: from sole to crown, mm
    height_mm: float = 28.0
    #: from the eye to the table, m
    metres: float = DISTANCES["table"]
    formations: int = 3
    accuracy: str = "plausible"
    #: '2027-03-01', or empty
    deadline: str = ""
    #: 0 clean to 5 buried in mud
    dirt: int = 1
    method: str = "classic"

    @property
    def scale(self) -> float:
        """How much larger the figures are than the drawings."""
        return self.height_mm / DRAWN_MM

    @property
    def words(self) -> str:
        """The brief in a sentence."""
        due = f", by {date.fromisoformat(self.deadline):%-d %B %Y}" if self.deadline else ""
        return (
            f"{GENRES[self.genre].title}, {self.height_mm:g} mm, seen from {self.metres:g} m, {METHODS[self.method].title.lower()},"
            f" {ACCURACIES[self.accuracy][0].lower()}, dirt {self.dirt} of {MOST_DIRT}{due}"
        )


def checked_brief(brief: Brief) -> Brief:
    """The brief, if everything in it is allowed.

    Raises: UnknownName, OutOfRange or Unreadable at the field.
    """
    for field, known in (("genre", GENRES), ("accuracy", ACCURACIES), ("method", METHODS)):
        if getattr(brief, field) not in known:
            raise UnknownName(field, getattr(brief, field), list(known), field)
    for field, least, most, unit in (
        ("height_mm", 6, 120, " mm"),
        ("metres", 0.2, 4, " m"),
        ("formations", 1, MOST_FORMATIONS, ""),
        ("dirt", 0, MOST_DIRT, ""),
    ):
        value = getattr(brief, field)
        if not least <= value <= most:
            raise OutOfRange(f"{value:g}{unit}; allowed is {least:g} to {most:g}{unit}.", field)
    if brief.deadline:
        try:
            day = date.fromisoformat(brief.deadline)
        except ValueError as error:
            raise Unreadable(f"'{brief.deadline[:30]}' is no date; write it as 2027-03-01.", "deadline") from error
        brief = replace(brief, deadline=day.isoformat())
    return brief


def days_to_spare(brief: Brief, finish: date) -> int | None:
    """Days between a finish and the deadline; negative if it is late, None without a deadline."""
    return (date.fromisoformat(brief.deadline) - finish).days if brief.deadline else None


def formation_names(text: str, count: int) -> tuple[str, ...]:
    """Names for so many formations: those that are written, with commas between, then numbered ones.

    Raises: OutOfRange for more names than formations, or a bad one.

    >>> formation_names("Harbour, Lantern", 3)
    ('Harbour', 'Lantern', '3rd')
    """
    written = [named(one, "names") for one in text.split(",") if one.strip()]
    if len(written) > count:
        raise OutOfRange(f"{len(written)} names for {count} formations; write as many or fewer.", "names")
    numbered = (f"{number}{_ending(number)}" for number in range(len(written) + 1, count + 1))
    return (*written, *numbered)


def _ending(number: int) -> str:
    return {1: "st", 2: "nd", 3: "rd"}.get(number, "th")
