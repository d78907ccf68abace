"""Marks in the plan: a chain of steps for every mark of a rank, after what lies beneath it."""

from collections import defaultdict
from collections.abc import Iterator, Sequence

from ..bearers.mark_work import painted_with, paints_of, steps_of
from ..errors import UnknownName
from ..figures.plate import CLOTH
from ..figures.vocabulary import spoken
from ..insignia.devices.mark_step import MarkStep
from ..order.subject import of_mark
from ..paints.paint import Paint
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.scheme import Scheme
from .task import Atom


def mark_rows(
    scheme: Scheme, unit: str, rank: str, classes: Sequence[FigureClass]
) -> Iterator[tuple[str, Atom, float]]:
    """For every site of a rank that bears marks, the steps of its method: node, atom and its drying, in order.

    Marks of one method and paint on a site are one step for all figures that bear one, whatever each shows.
    """
    by_step: dict[tuple, list] = {}
    for one in classes:
        for site_id, borne in one.borne.items():
            sites = [site for _, site in one.plate.named_sites(site_id)]
            for step in steps_of(scheme, borne.placement, sites[0]):
                uses = painted_with(scheme, borne.placement, step, one.tier)
                by_step.setdefault((site_id, step.id, uses), []).append((one, step, sites))
    for (site_id, step_id, uses), known in by_step.items():
        subject = of_mark(site_id)
        ordinals = tuple(sorted(ordinal for one, _, _ in known for ordinal in one.ordinals))
        _, step, sites = known[0]
        node = f"{subject.text}|{step_id}|{uses}"
        yield node, Atom(
            f"{unit}|{rank}|{node}", unit, rank, subject, step_id, step_id, f"wet|{uses}",
            max(each.seconds for _, each, _ in known) * len(sites), step.drying * 60, 1, ordinals,
            round(sites[0].width * sites[0].height * len(sites), 2), f"{step.verb} {site_words(site_id)}", 1,
        ), step.drying * 60  # fmt: skip


def beneath(classes: Sequence[FigureClass]) -> dict[str, frozenset[str]]:
    """For every site that bears a mark, the roles of what it lies on, of all classes together."""
    found: dict[str, set[str]] = defaultdict(set)
    for one in classes:
        for site_id in one.borne:
            areas = {site.area for _, site in one.plate.named_sites(site_id)}
            under = [one.cells[name] for area in areas for name in one.plate.areas_within(area)]
            found[site_id] |= {cell.role for cell in under if cell.role}
    return {site: frozenset(roles) for site, roles in found.items()}


def site_words(site_id: str) -> str:
    """A site in words, such as 'hat plate' or 'pattern on tunic'.

    >>> site_words("hat.plate"), site_words("cloth.torso.tunic")
    ('hat plate', 'pattern on tunic')
    """
    if site_id.startswith(CLOTH):
        return f"pattern on {spoken(site_id.removeprefix(CLOTH)).lower()}"
    return site_id.replace(".", " ")


def mark_step_of(scheme: Scheme, resolution: Resolution, atom: Atom) -> MarkStep:
    """The step of a mark that an atom stands for.

    Raises: UnknownName if no figure of its rank bears a mark there any more, or none with such a step.
    """
    _, placement, site = _borne(resolution, atom)
    for step in steps_of(scheme, placement, site):
        if step.id == atom.step:
            return step
    raise UnknownName("step of the mark", atom.step, [], "step")


def mark_paints_of(scheme: Scheme, resolution: Resolution, atom: Atom) -> tuple[Paint, ...]:
    """The paints that an atom of a mark is painted with; none for a step that uses fluids.

    Raises: as ``mark_step_of``.
    """
    if mark_step_of(scheme, resolution, atom).uses:
        return ()
    one, placement, _ = _borne(resolution, atom)
    return paints_of(scheme, placement, one.tier)


def _borne(resolution: Resolution, atom: Atom):
    for one in resolution.classes:
        if (
            (one.unit, one.rank) == (atom.unit, atom.rank)
            and atom.subject.site in one.borne
            and set(one.ordinals) & set(atom.ordinals)
        ):
            site = one.plate.named_sites(atom.subject.site)[0][1]
            return one, one.borne[atom.subject.site].placement, site
    raise UnknownName("mark", atom.subject.site, [], "mark")
