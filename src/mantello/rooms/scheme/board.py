"""Rules as a board: by formation, each with the colour it gives and a figure on which what it decides is lit."""

from dataclasses import dataclass

from django.utils.safestring import mark_safe

from mantello.workspace.lit import lit_address
from mantello.workspace.reading import Reading
from mantello_core.film.tones import Tones
from mantello_core.formats.drawing import plate_svg
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.sentence import rule_sentence

#: kinds of figure that are offered to choose areas on
_KINDS = 24


@dataclass(frozen=True)
class RuleCard:
    """A rule on the board."""

    rule: Rule
    #: the sentence without its formation
    words: str
    tones: Tones | None
    #: where the lit figure is drawn; '' where the rule decides nothing
    picture: str
    #: figures on which it decides something
    figures: int


@dataclass(frozen=True)
class Formation:
    """A node of the army with the rules that are written for it."""

    name: str
    depth: int
    cards: tuple[RuleCard, ...]


def board_of(army, reading: Reading) -> list[Formation]:
    """Every node that rules are written for, from the army down, with its rules as they are read."""
    reach = _reach(reading)
    force, scheme = reading.design.army, reading.design.scheme
    found = []
    for node in force.nodes.values():
        rules = [rule for rule in scheme.rules if rule.scope == node.id]
        if rules:
            cards = tuple(_card(army, reading, rule, reach.get(rule.id, [])) for rule in rules)
            found.append(Formation(node.name, len(force.paths[node.id]) - 1, cards))
    return found


def _reach(reading: Reading) -> dict[str, list[tuple[FigureClass, list[str]]]]:
    """Rule to the classes it decides something on, with the areas."""
    found: dict[str, list[tuple[FigureClass, list[str]]]] = {}
    for one in reading.resolution.classes:
        mine: dict[str, list[str]] = {}
        for area, cell in one.cells.items():
            if cell.rule:
                mine.setdefault(cell.rule.id, []).append(area)
        for rule, areas in mine.items():
            found.setdefault(rule, []).append((one, areas))
    return found


def _card(army, reading: Reading, rule: Rule, reach) -> RuleCard:
    sentence = rule_sentence(rule, reading.design.army, reading.design.scheme)
    node = reading.design.army.nodes[rule.scope].name
    words = sentence.removeprefix(node).lstrip(":, ")
    picture = ""
    if reach:
        one, areas = max(reach, key=lambda pair: sum(pair[0].plate.areas[area].mm2 for area in pair[1]))
        picture = lit_address(army, one.unit, one.rank, one.ordinals[0], areas)
    tones = reading.tones(rule.role) if rule.role in reading.design.scheme.role_by_id else None
    return RuleCard(rule, words[:1].upper() + words[1:], tones, picture, sum(len(one.ordinals) for one, _ in reach))


def kinds_of(reading: Reading) -> list[tuple[str, str]]:
    """Kinds of figure that areas can be chosen on: type and title, in the order of the army."""
    titles = reading.design.army.type_titles
    kinds = dict.fromkeys(one.type for one in reading.resolution.classes)
    return [(kind, titles.get(kind, kind)) for kind in list(kinds)[:_KINDS]]


def chooser_of(reading: Reading, kind: str) -> list:
    """The views of a kind of figure as drawings whose areas can be chosen; of the first kind where that is none."""
    classes = reading.resolution.classes
    if not classes:
        return []
    one = next((each for each in classes if each.type == kind), classes[0])
    return [
        mark_safe(
            plate_svg(
                one.plate,
                view.name,
                lambda area: reading.fill(one, area),
                detail="small",
                prefix=f"choose-{view.name}-",
            )
        )
        for view in one.plate.views
    ]
