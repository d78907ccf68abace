"""A block of names pasted into the mapping table: what is known is set at once, what is in doubt is asked."""

import json
from dataclasses import dataclass

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST

from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.design.pasting import near_roles, role_named, with_cells
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.numerals import whole_number

#: cells of a block, and signs of a name, at most
MOST_CELLS, MOST_SIGNS = 4_000, 120
#: what a doubt is answered with where its cells are to stay as they are
_LEAVE, _BARE = "-", "bare"


@dataclass(frozen=True)
class Doubt:
    """A pasted name that no role has: how many cells it is for, and the roles nearest to it."""

    at: int
    words: str
    cells: int
    near: tuple[str, ...]


@login_required
@require_POST
def paste_cells(request, army_id):
    """Set a block of cells by the names of roles; names that are none are asked, each once."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    cells = _cells(request.POST.get("cells", ""), reading)
    scheme = reading.design.scheme
    named = {words: role_named(scheme, words) for _, _, words in cells}
    unknown = [words for words, role in named.items() if role is None]
    answers = {words: request.POST.get(f"as-{at}") for at, words in enumerate(unknown)}
    if any(answer not in {_LEAVE, _BARE, *scheme.role_by_id} for answer in answers.values()):
        doubts = [
            Doubt(at, words, sum(words == said for _, _, said in cells), near_roles(scheme, words))
            for at, words in enumerate(unknown)
        ]
        context = {
            "title": "Pasted names", "view": "table", "doubts": doubts, "cells": request.POST["cells"], "within": request.POST.get("in", ""),
            "clear": sum(named[words] is not None for _, _, words in cells), "asked": "as-0" in request.POST,
            "beyond": _number(request.POST.get("beyond", "")),
        }  # fmt: skip
        return room_page(request, army, "scheme", "scheme/pasted.html", context, 422 if context["asked"] else 200)
    named |= {words: "" if answer == _BARE else answer for words, answer in answers.items() if answer != _LEAVE}
    wanted = [(figure, area, named[words]) for figure, area, words in cells if named[words] is not None]
    if wanted:
        said = f"{len(wanted)} cell{'s' * (len(wanted) != 1)} pasted"
        apply(request, army, lambda design: with_cells(design, wanted), said)
    else:
        messages.info(request, "Nothing was pasted: every name was left aside.")
    if beyond := _number(request.POST.get("beyond", "")):
        messages.warning(request, f"{beyond} value{'s' * (beyond != 1)} lay beyond the table and were not pasted.")
    return redirect(f"{reverse('table', args=[army.pk])}?in={request.POST.get('in', '') or 'all'}")


def _cells(text: str, reading: Reading) -> list[tuple[Figure, str, str]]:
    """The cells of a block: figure, area, words.

    Raises: Unreadable; OutOfRange for too many, or for a figure or an area that is not there.
    """
    try:
        rows = json.loads(text)
        cells = [
            (Figure(str(unit), str(rank), int(number)), str(area), str(words))
            for unit, rank, number, area, words in rows
        ]
    except (ValueError, TypeError) as error:
        raise Unreadable("The block did not come as cells; reload the page and paste again.", "cells") from error
    if not 1 <= len(cells) <= MOST_CELLS:
        raise OutOfRange(f"{len(cells)} cells were pasted; allowed are 1 to {MOST_CELLS}.", "cells")
    for figure, area, words in cells:
        if len(words) > MOST_SIGNS:
            raise OutOfRange(f"'{words[:40]}...' has {len(words)} signs; a name has up to {MOST_SIGNS}.", "cells")
        try:
            known = reading.resolution.of(figure).cells
        except (MantelloError, StopIteration) as error:
            raise OutOfRange(
                "A pasted cell is of a figure that is not there any more; reload the page.", "cells"
            ) from error
        if area not in known:
            raise OutOfRange(f"'{area[:60]}' is no area of that figure; reload the page and paste again.", "cells")
    return cells


def _number(text: str) -> int:
    return whole_number(text, 10**6) or 0
