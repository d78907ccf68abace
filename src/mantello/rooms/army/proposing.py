"""Schemes proposed for a brief: worked out by a worker, shown as cards, one of them taken."""

import hashlib
import json
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date
from html import escape

from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.safestring import mark_safe

from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.jobs.queue import answering, asked_for
from mantello.workspace.drawings import drawing_of, stored
from mantello.workspace.reading import Reading
from mantello_core.calendar.evenings import Evenings
from mantello_core.colour.spaces import Lab
from mantello_core.design.brief import Brief
from mantello_core.design.design import Design
from mantello_core.formats.document.design import read_design
from mantello_core.formats.massing import massed_group
from mantello_core.numerals import whole_number
from mantello_core.planning.cost import Cost
from mantello_core.proposals.proposal import SCHOOLS, Proposal, checked_question, proposals
from mantello_core.proposals.whole_method import with_whole_method
from mantello_core.scheme.scheme import Scheme

#: kind of job
SCHEMES = "army.schemes"
#: figures shown on a proposal's card, and their height in pixels
MOST_SHOWN, TALL = 5, 132
#: roles whose colours a card shows
MOST_ROLES = 9
#: answers kept of one painter, the newest
MOST_KEPT = 8


@dataclass(frozen=True)
class Card:
    """One proposal as the page shows it."""

    number: int
    proposal: Proposal
    school: str
    picture: str
    cost: Cost
    #: its brushwork beside that of the others, in words
    effort: str
    #: what the deadline says, if there is one
    due: str
    roles: list


def asked_schemes(
    owner, force, brief: Brief, seeds: tuple[Lab, ...], address: str, army=None, *, again: bool = False
) -> Job:
    """The job that answers a brief: the one that did already, that does, or a new one.

    force: the core's army to dress; again: whether one that failed or was stopped is tried again.
    Raises: what ``checked_question`` refuses.
    """
    brief = checked_question(force, brief, seeds)
    document = stored(Design(force, Scheme("Scheme"), brief=brief))
    told = [document, [list(one) for one in seeds], str(timezone.localdate())]
    key = hashlib.sha256(json.dumps(told, sort_keys=True).encode()).hexdigest()
    if known := answering(owner, SCHEMES, key, again=again):
        return known
    # what was asked on the way to this brief is not waited for any more
    mine = Job.objects.filter(owner=owner, kind=SCHEMES)
    mine.going_on().exclude(key=key).delete()
    mine.keep_newest(MOST_KEPT - 1)
    return asked_for(
        owner, SCHEMES, key, army, document=document, seeds=told[1], for_army=army is not None, address=address
    )


def schemes_proposed(job: Job) -> Iterator[Step]:
    """Work out schemes and draw their cards. The result: the cards as a fragment, titles and designs."""
    yield Step(0, 1)
    asked = read_design(job.asked["document"], drawing_of)
    found = proposals(asked.army, asked.brief, tuple(Lab(*one) for one in job.asked["seeds"]))
    cards, of = [], len(found) + 1
    for number, one in enumerate(found):
        # a brief that is changed meanwhile is not worked on any longer than one card takes
        yield Step(number + 1, of)
        cards.append(_card(number, replace(one, design=with_whole_method(one.design))))
    shown = {"cards": _compared(cards), "for_army": job.asked["for_army"]}
    told = {
        "cards": render_to_string("army/proposal_cards.html", shown),
        "titles": [card.proposal.title for card in cards],
        "designs": [stored(card.proposal.design) for card in cards],
    }
    yield Step(of, of, told)


def shown(job: Job | None, request, army=None) -> dict:
    """What the page shows of the schemes: cards, or how far they are."""
    if job is None:
        return {"job": None}
    if job.state == Job.State.DONE:
        return {"job": job, "cards": mark_safe(job.result["cards"]), "count": len(job.result["titles"])}
    return {"job": job}


def taken(job: Job, said) -> tuple[str, Design] | None:
    """Title and design of the proposal that was pressed, with its method's passes and finish; none if it is not the one that was shown, or not there yet."""
    number = said.get("choose", "")
    at = whole_number(number, 99)
    if job.state != Job.State.DONE or at is None:
        return None
    titles = job.result["titles"]
    if at >= len(titles) or titles[at] != said.get(f"title-{at}"):
        return None
    return titles[at], with_whole_method(read_design(job.result["designs"][at], drawing_of))


def _card(number: int, one: Proposal) -> Card:
    reading, scheme = Reading(one.design), one.design.scheme
    told = {cell[2] for table in scheme.tables for cell in table.cells}
    marks = [role for role in scheme.roles if role.id in told]
    field, cloth, trim = (scheme.role_by_id[name] for name in ("field", "cloth", "trim"))
    roles = [(role, reading.tones(role.id)) for role in dict.fromkeys((field, *marks, cloth, trim))][:MOST_ROLES]
    due = _due(one.design.brief, reading.cost.minutes, timezone.localdate())
    return Card(number, one, SCHOOLS[one.school][0], _picture(reading), reading.cost, "", due, roles)


def _compared(cards: list[Card]) -> list[Card]:
    """The cards, each with its brushwork beside that of the others."""
    least = min((card.cost.minutes for card in cards), default=0.0)
    return [replace(card, effort=_effort(card.cost.minutes, least)) for card in cards]


def _effort(minutes: float, least: float) -> str:
    """Brushwork beside the least of those that are offered."""
    more = minutes / least - 1 if least else 0.0
    beside = (
        "the quickest of these"
        if more < 0.005
        else "hardly more than the quickest"
        if more < 0.03
        else f"{100 * more:.0f} % more than the quickest"
    )
    return f"{minutes / 60:.0f} h of brushwork, {beside}."


def _due(brief: Brief, minutes: float, today: date) -> str:
    """Whether the usual evenings until the deadline hold the brushwork."""
    if not brief.deadline:
        return ""
    weeks = (date.fromisoformat(brief.deadline) - today).days / 7
    held = weeks * sum(length for _, _, length in Evenings().pattern)
    if weeks <= 0:
        return "The deadline is past."
    verdict = "fits" if held >= minutes else f"{(minutes - held) / 60:.0f} h too much"
    return f"The usual evenings until then hold {held / 60:.0f} h: {verdict}."


def _picture(reading: Reading) -> str:
    """The first figures of every formation beside each other."""
    seen, shown = set(), []
    paths = reading.design.army.paths
    for one in reversed(reading.resolution.classes):
        group = paths[one.unit][1:2] or (one.unit,)
        if group not in seen:
            seen.add(group)
            shown.append(one)
    shown = list(reversed(shown))[:MOST_SHOWN]
    parts, x = [], 0.0
    tall = max(one.plate.views[0].view_box[3] for one in shown)
    for one in shown:
        left, top, width, height = one.plate.views[0].view_box
        drawn = massed_group(
            one.plate, one.plate.views[0].name, lambda area, one=one: "", lambda area, one=one: reading.fill(one, area)
        )
        parts.append(f'<g transform="translate({x - left:.1f} {tall - height - top:.1f})">{drawn}</g>')
        x += width * 0.92
    names = escape(", ".join(reading.design.army.title(one.unit) for one in shown))
    size = f'viewBox="0 0 {x + 0.08 * width + 8:.0f} {tall:.0f}" height="{TALL}"'
    return mark_safe(f'<svg {size} role="img" aria-label="{names}">{"".join(parts)}</svg>')
