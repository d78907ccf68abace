"""One line of a roster: its fields as they came, what is doubtful about them, and what the line means."""

import re
from dataclasses import dataclass, replace
from datetime import date
from difflib import get_close_matches

from ...army.tree import MOST_FIGURES, TIERS
from ...design.muster import Entry
from ...figures.catalogue import shipped_titles
from ...naming import LONGEST_NAME, sign_words, strange_in
from .vocabulary import counted, list_words

FIELDS = ("unit", "type", "rank", "figures", "formation", "tier", "due")
#: the key of ``RosterLine.doubts`` that says a line may be written twice
REPEAT = "repeat"


@dataclass(frozen=True)
class RosterLine:
    """One line as it came, field by field, and what is doubtful about it."""

    number: int
    values: dict[str, str]
    #: field to what is wrong and what is allowed
    doubts: dict[str, str]
    #: what it means, if nothing is doubtful
    entry: Entry | None

    def doubted(self, field: str, words: str) -> "RosterLine":
        """The line with one more doubt; what was doubtful before stays."""
        return replace(self, doubts={field: words} | self.doubts, entry=None)


def read_line(number: int, values: dict[str, str], titles: dict[str, str] | None = None) -> RosterLine:
    """One line from its fields; a missing rank becomes 'Figure', all else is asked back.

    titles: the figure types there are, id to title; the shipped ones if not given.
    """
    extra = _whole(values.get("extra", "").strip())
    given = {field: values.get(field, "").strip() for field in FIELDS}
    values = {field: _whole(text) for field, text in given.items()}
    doubts = {}
    for field, text in given.items():
        if strange := strange_in(" ".join(text.split())):
            doubts[field] = f"It holds {sign_words(*strange)}; it cannot be kept and is shown as \ufffd. Write it anew."
    if extra:
        doubts["formation"] = f"More was written than a roster has fields for: '{extra}'. It is left out if you go on."
    if not values["unit"]:
        doubts["unit"] = "No unit is named."
    types = types_in(values["type"], titles)
    if len(types) != 1:
        doubts["type"] = _no_type(values["type"], types, titles)
    figures, said = figures_of(values["figures"])
    if figures is None:
        doubts["figures"] = said
    for field in ("unit", "rank"):
        if len(values[field]) > LONGEST_NAME:
            doubts[field] = f"The name has {len(values[field])} characters; allowed is up to {LONGEST_NAME}."
    for field in FIELDS:
        if "\n" in values[field]:
            doubts[field] = "Several lines ran together here; is a quotation mark left open?"
    tier = _tier_of(values["tier"])
    if tier is None:
        doubts["tier"] = (
            f"'{values['tier']}' is no tier; there are {', '.join(TIERS.values())}. Empty: by the rank's name."
        )
    if values["due"] and not _is_day(values["due"]):
        doubts["due"] = f"'{values['due']}' is no day; write it like 2027-03-01, or nothing."
    path = tuple(step.strip() for step in re.split(r"[/>]", values["formation"]) if step.strip())
    if long := next((step for step in path if len(step) > LONGEST_NAME), ""):
        doubts["formation"] = f"'{long[:20]}…' has {len(long)} characters; allowed is up to {LONGEST_NAME}."
    if doubts:
        return RosterLine(number, values, doubts, None)
    rank = values["rank"] or "Figure"
    tier = tier or ("leader" if leads(rank) else "rank")
    return RosterLine(number, values, {}, Entry(values["unit"], types[0], rank, figures, path, tier, values["due"]))


def leads(words: str) -> bool:
    """Whether some words name a leader."""
    return bool(set(words.lower().split()) & set(list_words()["leaders"]))


def types_in(written: str, titles: dict[str, str] | None) -> tuple[str, ...]:
    """Ids of the figure types that some words name, the nearest first; one if the words as a whole are its name.

    'Line fusiliers' names one; 'fusilier or ranger' names two; 'fusilier sergeant' names the sergeant, for what
    stands last is what it is and what stands before says of which kind, where a type of that kind is known to lead.
    """
    known = titles or shipped_titles()
    wanted = written.strip().lower()
    if whole := _called(wanted, known):
        return (whole,)
    words = re.findall(r"[^\W\d_]+(?:[-'][^\W\d_]+)*", wanted)
    found = []
    at = 0
    while at < len(words):
        for most in range(min(4, len(words) - at), 0, -1):
            if id_ := _called(" ".join(words[at : at + most]), known):
                found.append((at + most - 1, id_))
                at += most - 1
                break
        at += 1
    ids = tuple(dict.fromkeys(id_ for _, id_ in found))
    if len(ids) == 2 and found[-1][0] == len(words) - 1 and leads(words[-1]) and not leads(words[found[0][0]]):
        return (ids[1],)
    return ids


def figures_of(written: str) -> tuple[int | None, str]:
    """The figures that a cell counts, or None and why not: '24', 'x24', '24 models', 'a dozen', '2 x 12'."""
    count = counted(written)
    if count is not None and 1 <= count <= MOST_FIGURES:
        return count, ""
    said = f"'{written}' is no count" if written else "No count is given"
    return None, f"{said}; write a whole number from 1 to {MOST_FIGURES}."


def _called(words: str, known: dict[str, str]) -> str | None:
    """The type called so, in the singular or plural."""
    for said in dict.fromkeys((words, *_singular(words))):
        if id_ := next((id_ for id_, title in known.items() if said in (id_, title.lower())), None):
            return id_
    return None


def _singular(words: str) -> list[str]:
    forms = []
    if words.endswith("men"):
        forms.append(words[:-3] + "man")
    if words.endswith("ies"):
        forms.append(words[:-3] + "y")
    if words.endswith("es"):
        forms.append(words[:-2])
    if words.endswith("s"):
        forms.append(words[:-1])
    return forms


def _no_type(written: str, types: tuple[str, ...], titles: dict[str, str] | None) -> str:
    if types:
        return f"'{written}' names {len(types)} figure types: {' and '.join(types)}. Which is it?"
    if not written:
        return "No figure type is given; choose one of the plates."
    near = get_close_matches(written.lower(), list(titles or shipped_titles()), n=2, cutoff=0.5)
    asked = f"did you mean {' or '.join(near)}?" if near else "choose one of the plates."
    return f"'{written}' is no figure type; {asked}"


def _whole(text: str) -> str:
    """The text with what cannot be kept shown as such; line breaks stay, for they are told."""
    while (strange := strange_in(text.replace("\n", " ").replace("\t", " ").replace("\r", " "))) is not None:
        text = text.replace(strange[0], "\ufffd")
    return text


def _tier_of(text: str) -> str | None:
    """The tier that a text names, by id or by its name; '' where nothing is said, None for none there is."""
    said = text.strip().lower()
    if not said:
        return ""
    return next((id_ for id_, name in TIERS.items() if said in (id_, name.lower())), None)


def _is_day(text: str) -> bool:
    try:
        date.fromisoformat(text)
    except ValueError:
        return False
    return len(text) == 10
