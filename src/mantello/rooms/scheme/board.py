"""Rules as a board: by formation, each with the colour it gives and a figure on which what it decides is lit."""

from dataclasses import dataclass
from itertools import accumulate

from django.utils.safestring import mark_safe

from mantello.workspace.lit import lit_address
from mantello.workspace.reading import Reading
from mantello_core.army.tree import Army, Node
from mantello_core.film.tones import Tones
from mantello_core.formats.drawing import plate_svg
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.sentence import rule_sentence

#: kinds of figure that are offered to choose areas on
_KINDS = 24
#: rules that are shown at once, and no more formations from there on
MOST_CARDS = 150


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
    """A node of the army with the rules that are written for it. cards: of those that are shown; none where it is closed."""

    node: str
    name: str
    #: its name with what tells it from others of that name
    title: str
    depth: int
    count: int
    cards: tuple[RuleCard, ...]


def board_of(army, reading: Reading, asked: str = "", editing: str = "") -> list[Formation]:
    """Every node that rules are written for, from the army down, with its rules as they are read.

    Of very many rules only some are shown: those of the node that was ``asked`` for and of the one whose rule is edited, else of
    the first nodes.
    """
    force, scheme = reading.design.army, reading.design.scheme
    by_node: dict[str, list[Rule]] = {}
    for rule in scheme.rules:
        by_node.setdefault(rule.scope, []).append(rule)
    nodes = [node for node in force.nodes.values() if node.id in by_node]
    opened = {asked, *(rule.scope for rule in scheme.rules if rule.id == editing)} & set(by_node)
    if not opened:
        begun = accumulate((len(by_node[node.id]) for node in nodes), initial=0)
        opened = {node.id for node, before in zip(nodes, begun, strict=False) if before < MOST_CARDS}
    if len(scheme.rules) <= MOST_CARDS:
        opened = set(by_node)
    reach, found = _reach(reading), []
    for node in nodes:
        rules = by_node[node.id]
        cards = tuple(_card(army, reading, rule, reach.get(rule.id, [])) for rule in rules) if node.id in opened else ()
        found.append(
            Formation(node.id, node.name, _title(force, node), len(force.paths[node.id]) - 1, len(rules), cards)
        )
    return found


def _title(force: Army, node: Node) -> str:
    """The name of a node; of several of that name, behind the one it belongs to."""
    alone = sum(other.name == node.name for other in force.nodes.values()) == 1
    return node.name if alone else f"{force.nodes[force.paths[node.id][-2]].name}, {node.name}"


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
