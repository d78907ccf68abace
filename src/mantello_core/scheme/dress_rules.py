"""The rules that a dress of sources is shorthand for: garments by formation and rank, and the field's tones by figure."""

from collections.abc import Iterator

from ..army.figure_filter import Filter
from ..army.tree import Army, Rank
from ..uniforms.campaign import AS_ISSUED, option_of
from ..uniforms.colour_word import ColourWord
from ..uniforms.dress import Dress, DressCell
from ..uniforms.dye import GRADES
from ..uniforms.garments import garments, lies_on
from .rule import Rule
from .selector import areas_named
from .worn_over import colour_over, hidden_areas, hidden_garment, ordered_over, painted_over

#: what made a rule, and what begins its id
MADE_BY = "dress"
#: other readings told beside a cell
_ELSE = 3
#: garments of which the field makes tones, and that local cloth replaces
TONED = ("coat", "breeches", "pack")


def dress_rules(dress: Dress, army: Army) -> tuple[tuple[Rule, ...], tuple[Rule, ...]]:
    """Rules by formation and rank and those of the field by figure, to stand before the written rules of a scheme; and rules
    of cells that are worn first, to stand after them. Cells left to other rules give none."""
    binding = dress.accuracy == "strict"
    before: list[Rule] = []
    after: list[Rule] = []
    over = painted_over(dress, army)
    told = {(cell.node, cell.garment) for cell in dress.cells}
    for cell in dress.cells:
        role = dress.role_of(cell.colour, metal=cell.metal)
        if not role or cell.node not in army.nodes or dress.departure(cell):
            continue
        if any(hidden_garment(cell.garment, thing) for thing in over.get(cell.node, ())):
            continue
        if cell.garment in dress.left_out and (cell.node, lies_on(cell.garment)) in told:
            continue
        filters = [Filter(rank=id_) for id_ in _ranks(dress, cell)] if cell.rank else [Filter()]
        found = after if cell.key in dress.first else before
        found += [
            Rule(
                f"{MADE_BY}/{cell.key}{f'/{one.rank}' if one.rank else ''}", cell.node, _select(dress, cell.garment), role, one, binding, made_by=MADE_BY,
            )
            for one in filters
        ]  # fmt: skip
    if dress.campaign:
        before += _field_rules(dress, army)
        after += _over_rules(dress, army)
    return tuple(before), tuple(after)


def _over_rules(dress: Dress, army: Army) -> Iterator[Rule]:
    """What is worn over the dress, rank by rank: it hides what any rule says of the areas below."""
    for node, things in ordered_over(dress, army).items():
        for thing in things if dress.campaign and dress.campaign.over else ():
            colour, _ = colour_over(dress, node, thing)
            role = dress.role_of(colour, metal=False, tone=thing.tone)
            for unit in army.nodes[node].walk() if role else ():
                for rank in unit.ranks:
                    hidden = hidden_areas(army.plate(rank.type), thing)
                    if hidden:
                        yield Rule(
                            f"{MADE_BY}/over/{unit.id}/{rank.id}/{thing.tone}", unit.id, hidden, role, Filter(rank=rank.id),
                            made_by=MADE_BY, over=True,
                        )  # fmt: skip


def _select(dress: Dress, garment: str) -> tuple[str, ...]:
    """Where a garment is painted: its own areas, and those of what is left out on it."""
    more = (select for one in dress.left_out if lies_on(one) == garment for select in garments()[one].select)
    return tuple(dict.fromkeys((*garments()[garment].select, *more)))


def cell_of_dress(dress: Dress, rule: Rule) -> DressCell | None:
    """The cell that a rule of dress stands for; None for a rule of another kind, or of the field."""
    if rule.made_by != MADE_BY:
        return None
    given = rule.id.removeprefix(f"{MADE_BY}/")
    return next((one for one in dress.cells if given == one.key or given.startswith(f"{one.key}/")), None)


def evidence_words(dress: Dress, cell: DressCell) -> str:
    """How a cell is known, and what else is told of it: 'documented: Muster rolls. Else: green (Order of 205)'."""
    verdict, almanac = cell.verdict, dress.almanac
    said = f"{verdict.status}: {almanac.cite(verdict.fact)}" if verdict.fact else verdict.status
    others = [f"{fact.phrase.words} ({almanac.cite(fact)})" for fact in verdict.alternatives[:_ELSE]]
    return f"{said}. Else: {'; '.join(others)}." if others else f"{said}."


def _ranks(dress: Dress, cell: DressCell) -> tuple[str, ...]:
    return tuple(dict.fromkeys(id_ for id_, said in dress.ranks if said == cell.rank))


def tones_worn(
    dress: Dress, army: Army
) -> Iterator[tuple[str, Rank, DressCell, dict[tuple[str, str], tuple[int, ...]]]]:
    """Unit, rank and garment with its (option, tone or local cloth) by figures, for everything the field changes."""
    if not dress.campaign:
        return
    over = painted_over(dress, army)
    for cell in dress.cells:
        if cell.garment not in TONED or cell.rank or cell.node not in army.nodes:
            continue
        if any(hidden_garment(cell.garment, thing) for thing in over.get(cell.node, ())):
            continue
        for unit in army.nodes[cell.node].walk():
            for rank in unit.ranks:
                if not areas_named(army.plate(rank.type), garments()[cell.garment].select):
                    continue
                grade = GRADES[rank.tier]
                dealt: dict[tuple[str, str], list[int]] = {}
                for ordinal in range(1, rank.figures + 1):
                    key = option_of(dress.campaign, cell.garment, grade, cell.node, f"{unit.id}/{rank.id}", ordinal)
                    dealt.setdefault(key, []).append(ordinal)
                yield unit.id, rank, cell, {key: tuple(ordinals) for key, ordinals in dealt.items()}


def _field_rules(dress: Dress, army: Army) -> Iterator[Rule]:
    for unit, rank, cell, dealt in tones_worn(dress, army):
        by_role: dict[str, list[int]] = {}
        for (option, tone), ordinals in dealt.items():
            local = option == "replaced"
            colour = ColourWord(tone) if local else cell.colour
            metal = cell.metal and not local
            role = dress.role_of(colour, metal=metal, tone="local" if local else tone)
            # tones that no eye tells from the issued one have no role of their own
            role = role or dress.role_of(colour, metal=metal, tone=AS_ISSUED)
            if role:
                by_role.setdefault(role, []).extend(ordinals)
        for role, ordinals in by_role.items():
            yield Rule(
                f"{MADE_BY}/field/{unit}/{rank.id}/{cell.garment}/{role}", unit, _select(dress, cell.garment), role,
                Filter(rank=rank.id, ordinals=tuple(sorted(ordinals))), made_by=MADE_BY,
            )  # fmt: skip
