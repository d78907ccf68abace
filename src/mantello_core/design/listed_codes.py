"""Unit codes from a plain list: who bears which colour, figure and sign; they are pinned, and nothing is dropped unsaid."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

from ..errors import MantelloError, OutOfRange
from ..insignia.devices.device import FRAMES, checked_device, figures
from ..insignia.systems.code import Code, CodePlan, checked_plan
from ..marks.unit_codes import CodeSystem, Held, holders
from ..uniforms.folding import fold
from ..uniforms.phrase import read_phrase
from ..uniforms.reading.grid import Raw, grid_of
from .design import Design
from .role_meant import looks_of, role_meant

#: numerals and letters of a sign
_SIGN = re.compile(r"[0-9A-Z]{1,3}")
_WORDS = re.compile(r"[\w'’.-]+")
#: words that stand between the features of a code, and words that head its columns
_BETWEEN = frozenset({"a", "an", "in", "on", "the", "with", "of", "sign", "figure", "colour", "number", "no", "letter"})
_HEADS = frozenset({
    "unit", "formation", "squad", "company", "bearer", "vehicle", "name", "code", "colour", "color", "sign", "figure", "shape",
    "number", "letter", "numeral", "mark",
})  # fmt: skip


@dataclass(frozen=True)
class ListedCodes:
    """What a list gave a system: codes set, and in words what could not be placed."""

    codes: int
    left: tuple[str, ...]


def with_code_list(design: Design, system_id: str, data: bytes) -> tuple[Design, ListedCodes]:
    """The design with codes of a marking system taken from a list and pinned; others stay, but one that a listed code takes.

    A line names a bearer, and its sign, figure and colour in any order, in cells or in words; what it leaves out stays as
    it is, or is the system's first. Raises: UnknownName for the system; what ``grid_of`` and ``checked_plan`` refuse.
    """
    system = design.scheme.code_system(system_id)
    names = {one.id: name for one, name in holders(design.army, system)}
    rows = grid_of(data).rows
    at = _bearers_column(rows, names)
    reader = _CodeReader(design, system)
    found: dict[str, Code] = {}
    left = []
    for index, row in enumerate(rows):
        text = " ".join(cell.text for cell in row if cell.text)
        holder = _named(row[at].text, names) if at is not None else None
        if holder is None and index == 0 and _heading(row):
            continue
        where = f"line {row[0].line}, '{text[:60]}'"
        if holder is None:
            left.append(f"{where}: nobody who gets a code here, or several, are called so.")
            continue
        try:
            code = reader.code([cell.text for place, cell in enumerate(row) if place != at and cell.text], holder)
        except MantelloError as error:
            left.append(f"{where}: {error.message}")
            continue
        taken = next((id_ for id_, one in found.items() if one == code and id_ != holder), None)
        if taken or code in {one.code for one in system.retired}:
            left.append(f"{where}: that code is {f'given to {names[taken]}' if taken else 'retired'}.")
        elif found.setdefault(holder, code) != code:
            left.append(f"{where}: {names[holder]} has another code in a line before.")
    changed = _given(system, names, found)
    systems = tuple(changed if one.id == system_id else one for one in design.scheme.code_systems)
    count = sum(id_ not in system.code_of or system.code_of[id_].code != code for id_, code in found.items())
    return replace(design, scheme=replace(design.scheme, code_systems=systems)), ListedCodes(count, tuple(left))


def _given(system: CodeSystem, names: Mapping[str, str], found: Mapping[str, Code]) -> CodeSystem:
    codes = tuple(found.values())
    plan = checked_plan(_wider(system.plan, codes)) if codes else system.plan
    others = tuple(one for one in system.held if one.holder not in found and one.code not in codes)
    listed = tuple(Held(id_, code, names[id_], pinned=True) for id_, code in found.items())
    return replace(system, plan=plan, held=(*listed, *others))


def _wider(plan: CodePlan, codes: tuple[Code, ...]) -> CodePlan:
    """The plan with every colour, figure and sign that codes have, so that designing anew may use them too."""

    def more(known: tuple[str, ...], feature: str) -> tuple[str, ...]:
        return tuple(dict.fromkeys((*known, *(value for one in codes if (value := getattr(one, feature))))))

    return replace(
        plan, colours=more(plan.colours, "colour"), frames=more(plan.frames, "frame"), signs=more(plan.signs, "sign")
    )


def _bearers_column(rows: tuple[tuple[Raw, ...], ...], names: Mapping[str, str]) -> int | None:
    """The column that names most bearers, the first of equals; None if none does."""
    counts = [sum(_named(row[at].text, names) is not None for row in rows) for at in range(len(rows[0]))]
    best = max(counts, default=0)
    return counts.index(best) if best else None


def _named(text: str, names: Mapping[str, str]) -> str | None:
    """Who is called so: wholly, else by every word; None for nobody or several."""
    said = fold(text)
    words = set(said.split())
    whole = [id_ for id_, name in names.items() if fold(name) == said]
    found = whole or [id_ for id_, name in names.items() if words and words <= set(fold(name).split())]
    return found[0] if len(found) == 1 else None


def _heading(row: tuple[Raw, ...]) -> bool:
    return all(set(fold(cell.text).split()) & _HEADS for cell in row if cell.text)


class _CodeReader:
    """Reads colour, figure and sign out of what stands beside a bearer."""

    def __init__(self, design: Design, system: CodeSystem):
        self.design, self.system = design, system
        self.frames = {fold(name): id_ for id_, name in figures().items() if id_ in FRAMES}
        self.looks = looks_of(design)

    def code(self, cells: list[str], holder: str) -> Code:
        """The code that cells tell. Raises: OutOfRange for words that are none of it, or where nothing is told."""
        frame = sign = colour = ""
        for cell in cells:
            role = self._colour(cell)
            rest: list[str] = []
            for word in _WORDS.findall(cell) if not role else ():
                known = self.frames.get(fold(word))
                if known and not frame:
                    frame = known
                elif _SIGN.fullmatch(word) and not sign:
                    sign = word
                elif fold(word) not in _BETWEEN:
                    rest.append(word)
            role = role or (self._colour(" ".join(rest)) if rest else "")
            if rest and not role:
                raise OutOfRange(
                    f"'{' '.join(rest)}' is no colour, figure or sign; a sign is 1 to 3 numerals or capitals.", "text"
                )
            if role and colour:
                raise OutOfRange(f"two colours are told; '{cell}' is the second.", "text")
            colour = colour or role
        if not (frame or sign or colour):
            raise OutOfRange("no colour, figure or sign stands beside the name.", "text")
        held = self.system.code_of.get(holder)
        plan = self.system.plan
        before = held.code if held else Code(plan.colours[0], (plan.frames or ("",))[0], (plan.signs or ("",))[0])
        code = Code(colour or before.colour, frame or before.frame, sign or before.sign)
        checked_device(code.device, "text")
        return code

    def _colour(self, text: str) -> str:
        return role_meant(self.design, read_phrase(text), self.looks, metal=False) or ""
