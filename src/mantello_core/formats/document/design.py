"""The design as an open JSON document: army, scheme and evenings; what is written reads back identical."""

import json
from collections.abc import Callable
from dataclasses import replace

from ...design.brief import Brief, checked_brief
from ...design.design import Design
from ...errors import OutOfRange
from ...paints.catalogue import SHIPPED
from ..kept import read_kept
from ..strict_json import read_json
from ..validation import check
from .evenings import read_evenings, write_evenings
from .own_paints import read_own_paint
from .own_types import read_types, write_drawings, write_types
from .placed_sites import read_site, refuse_sites_twice, write_site
from .pointer import at
from .rank_ids import with_rank_ids
from .recipes import refuse_twice, write_own_paints
from .scheme import read_scheme, write_scheme
from .sheets import read_sheet, write_sheet
from .texts import check_texts
from .tree import read_army, write_node

FORMAT, VERSION = "mantello-design", 8
#: the largest document that is read, bytes
MOST_BYTES = 12_000_000


def write_design(design: Design, *, drawings: bool = True) -> dict:
    """The document, JSON-ready; see docs/formats/design.md. drawings: whether it carries those of own figure types."""
    army = design.army
    return {
        "format": FORMAT,
        "version": VERSION,
        "army": {
            "levels": list(army.levels),
            "root": write_node(army.root),
            **({"types": write_types(army.types)} if army.types else {}),
            **({"sites": [write_site(one) for one in army.sites]} if army.sites else {}),
            **({"joined": {type_id: list(areas) for type_id, areas in army.joined}} if army.joined else {}),
        },
        **({"drawings": write_drawings(army.types)} if army.types and drawings else {}),
        "scheme": write_scheme(design.scheme),
        "evenings": write_evenings(design.evenings),
        **({"brief": vars(design.brief)} if design.brief else {}),
        **({"sheets": [write_sheet(one) for one in design.sheets]} if design.sheets else {}),
        **({"paints": own} if (own := write_own_paints(design.scheme)) else {}),
    }


def design_bytes(design: Design) -> bytes:
    """The document as UTF-8 text, the same bytes for the same design."""
    return (json.dumps(write_design(design), indent=1, ensure_ascii=False) + "\n").encode()


def read_design_bytes(data: bytes, like: dict | None = None) -> Design:
    """A design from a file's bytes. like: the same army's document at another time; see ``with_rank_ids``.

    Raises: Unreadable if it is no such document, OutOfRange if it is too large.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "file")
    document = read_json(data, "The file")
    return read_design(document, like=like)


def read_design(
    document: object, drawing_of: Callable[[str], dict | None] | None = None, like: dict | None = None
) -> Design:
    """A design from a parsed document.

    drawing_of: drawings kept elsewhere, by digest; see ``read_types``. like: see ``with_rank_ids``.

    Raises: Unreadable with a JSON pointer if it does not follow the schema; UnknownName, OutOfRange or
    Contradiction if it names what does not exist or says one thing twice.
    """
    check_texts(document, "")
    check(document, "design")
    return _read(with_rank_ids(document, like), drawing_of)


def read_kept_design(document: dict, drawing_of: Callable[[str], dict | None]) -> Design:
    """A design from a document that was kept: its form, which ``write_design`` gave it, is five sixths of reading, see ``read_kept``.

    Raises: as ``read_design``.
    """
    return read_kept(
        document, VERSION, lambda kept: _read(kept, drawing_of), lambda kept: read_design(kept, drawing_of)
    )


def _read(document: dict, drawing_of: Callable[[str], dict | None] | None) -> Design:
    """The design that a document of the right form says."""
    own = [read_own_paint(one, f"/paints/{index}") for index, one in enumerate(document.get("paints", ()))]
    catalogue = SHIPPED.with_own(own)
    army_part = document["army"]
    types = read_types(army_part.get("types", []), document.get("drawings", {}), drawing_of)
    army = read_army(army_part, types)
    sites = tuple(read_site(one, army, f"/army/sites/{at}") for at, one in enumerate(army_part.get("sites", ())))
    refuse_sites_twice(sites, "/army/sites")
    joined = tuple((type_id, tuple(areas)) for type_id, areas in army_part.get("joined", {}).items())
    for type_id, _ in joined:
        with at("/army/joined"):
            army.plate_apart(type_id)
    army = replace(army, sites=sites, joined=joined)
    scheme = read_scheme(document["scheme"], army, catalogue)
    evenings = document.get("evenings", {})
    brief = read_brief(document["brief"]) if "brief" in document else None
    sheets = tuple(read_sheet(one, f"/sheets/{index}") for index, one in enumerate(document.get("sheets", ())))
    refuse_twice([one.id for one in sheets], "/sheets", "sheet")
    return Design(army, scheme, read_evenings(evenings, army), brief, sheets)


def read_brief(data: dict, where: str = "/brief") -> Brief:
    """A brief from its mapping; what is not said is as usual.

    Raises: what ``checked_brief`` refuses, with a JSON pointer.
    """
    with at(where):
        return checked_brief(Brief(**data))
