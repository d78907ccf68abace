"""Marks in the plan: a chain of steps for every mark of a rank, after what lies beneath it."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence

from ..bearers.mark_work import painted_with, paints_of, steps_of
from ..errors import UnknownName
from ..figures.plate import CLOTH
from ..figures.vocabulary import spoken
from ..insignia.devices.mark_step import MarkStep
from ..paints.paint import Paint
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.scheme import Scheme
from .subject import of_mark
from .task import MARK_AFTER_MESS, MARK_ON_DRY, Atom, Edge

#: order of mess up to which work is rough: it goes over what is beside it
ROUGH = 2
#: chains of (atom, height), as the compiler builds them
Chain = list[tuple[Atom, float]]


def mark_chains(scheme: Scheme, unit: str, rank: str, classes: Sequence[FigureClass], done) -> list[Chain]:
    """For every site of a rank that bears marks, the steps of its method; several methods on one site, several chains.

    Marks of one method and paint on a site are one step for all figures that bear one, whatever each shows.
    """
    groups: dict[tuple, list[tuple[FigureClass, object]]] = defaultdict(list)
    for one in classes:
        for site_id, borne in one.borne.items():
            sites = [site for _, site in one.plate.named_sites(site_id)]
            groups[site_id, borne.placement.manner.method].append((one, borne.placement, sites))
    return [_chain(scheme, unit, rank, site, bearers, done) for (site, _), bearers in groups.items()]


def beneath(classes: Sequence[FigureClass]) -> dict[str, frozenset[str]]:
    """For every site that bears a mark, the roles of what it lies on, of all classes together."""
    found: dict[str, set[str]] = defaultdict(set)
    for one in classes:
        for site_id in one.borne:
            areas = {site.area for _, site in one.plate.named_sites(site_id)}
            under = [one.cells[name] for area in areas for name in one.plate.areas_within(area)]
            found[site_id] |= {cell.role for cell in under if cell.role}
    return {site: frozenset(roles) for site, roles in found.items()}


def _chain(scheme: Scheme, unit: str, rank: str, site_id: str, bearers: Iterable, done) -> Chain:
    by_step: dict[tuple, list] = {}
    for one, placement, sites in bearers:
        for step in steps_of(scheme, placement, sites[0]):
            uses = painted_with(scheme, placement, step, one.tier)
            by_step.setdefault((step.id, uses), []).append((one, step, sites))
    chain = []
    for (step_id, uses), known in by_step.items():
        subject = of_mark(site_id)
        ordinals = sorted(ordinal for one, _, _ in known for ordinal in one.ordinals)
        left = tuple(ordinal for ordinal in ordinals if (unit, rank, ordinal, subject, step_id) not in done)
        if not left:
            continue
        _, step, sites = known[0]
        seconds = max(each.seconds for _, each, _ in known) * len(sites)
        surface = sites[0].width * sites[0].height * len(sites)
        name = f"{step.verb} {site_words(site_id)}"
        chain.append((Atom(
            f"{unit}|{rank}|{subject.text}|{step_id}|{uses}", unit, rank, subject, step_id, step_id, f"{step_id}|{uses}", seconds,
            step.drying * 60, 1, left, round(surface, 2), name, 1,
        ), 1e9))  # fmt: skip
    return chain


def mark_edges(colours: Sequence[Chain], marks: Sequence[Chain], under: Mapping[str, frozenset[str]]) -> list[Edge]:
    """Marks after the last step of what they lie on, and after all rough work on the figure. under: from ``beneath``."""
    edges = []
    for chain in marks:
        first = chain[0][0]
        for colour in colours:
            last = colour[-1][0]
            if last.subject.role in under.get(first.subject.site, ()):
                edges.append(Edge(last.id, first.id, last.drying, MARK_ON_DRY))
            edges += [
                Edge(one.id, first.id, one.drying, MARK_AFTER_MESS)
                for one, _ in colour
                if one.mess <= ROUGH or one.kind == "powder"
            ]
    return edges


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
