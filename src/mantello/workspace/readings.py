"""The readings that are kept: the latest editions as the core reads them."""

import hashlib
import json
from dataclasses import replace

from mantello_core.design.design import Design
from mantello_core.design.shared_parts import with_parts_of
from mantello_core.formats.document.design import read_kept_design
from mantello_core.formats.document.evenings import read_evenings
from mantello_core.memory import Memory

from .drawings import drawing_of
from .models import Edition
from .reading import Reading

#: what a reading takes in memory with all that follows from it, for every byte of its document: measured
_GROWS = 32
_kept = Memory("readings", 48 * 2**20)


def reading_of(edition: Edition) -> Reading:
    """The reading of an edition; the latest ones are kept.

    An edition that differs from a kept one in its evenings alone is not read whole, and takes over what is worked out.
    """
    key = edition.pk, edition.made_at
    known = _kept.get(key)
    if known is not None:
        return known
    mark, size = _digest(edition.document)
    others = _kept.answers()
    like = next((one for one in others if one.timeless == mark), None)
    if like is None:
        design = read_kept_design(edition.document, drawing_of)
        before = next((one for one in others if one.army_id == edition.army_id), None)
        design = with_parts_of(design, before.design) if before else design
    else:
        evenings = read_evenings(edition.document.get("evenings", {}), like.design.army)
        design = replace(like.design, evenings=evenings)
    return _keep(key, edition, Reading(design, like, _kept.answers), mark, size)


def remember(edition: Edition, design: Design) -> Reading:
    """Keep what was just written, so that it need not be read back."""
    like = next((one for one in _kept.answers() if _same_but_evenings(one.design, design)), None)
    key = edition.pk, edition.made_at
    return _keep(key, edition, Reading(design, like, _kept.answers), *_digest(edition.document))


def _same_but_evenings(one: Design, other: Design) -> bool:
    return (
        one.army is other.army
        and one.scheme is other.scheme
        and one.brief == other.brief
        and one.sheets == other.sheets
    )


def _digest(document: dict) -> tuple[str, int]:
    """A digest that is the same for documents that differ in their evenings alone, and of how many bytes."""
    timeless = {name: part for name, part in document.items() if name != "evenings"}
    written = json.dumps(timeless, sort_keys=True).encode()
    return hashlib.sha256(written).hexdigest(), len(written)


def _keep(key: tuple, edition: Edition, reading: Reading, timeless: str, size: int) -> Reading:
    reading.timeless, reading.army_id = timeless, edition.army_id
    return _kept.put(key, reading, _GROWS * size)
