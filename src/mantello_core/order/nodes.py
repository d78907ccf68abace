"""The nodes of one rank's figures: role steps, grounds, passes, marks and handwork, each with the phase it asks for."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from ..bearers.mark_work import painted_with, steps_of
from ..design.design import Design
from ..figures.plate import RIM
from ..figures.vocabulary import group_of
from ..film.ground import GroundCoat
from ..paints.paint import Paint
from ..passes.ground_work import laid_grounds
from ..passes.piece import OVER, Piece
from ..recipes.drying import cured
from ..recipes.step import BENEATH, Step
from ..scheme.cascade import FigureClass
from ..scheme.scheme import Scheme
from .node import BLOCKS, LIGHTS, SHADES, Node
from .pairs import meant
from .phases import PhaseList
from .subject import GROUND, of_mark, of_pass, of_role

#: mm² from which a stain is flooded on with a large brush
_FLOODED = 100.0
_BIG = frozenset({"overbrush", "drybrush", "stipple", "sponge"})
#: kinds of a pass that everything else lies on, unless the painter says otherwise
_UNDER = frozenset({"base", "spray", "overbrush", "drybrush", "stipple"})
_WET = frozenset({"shade", "stain", "oil"})
_DRY = frozenset({"drybrush", "overbrush", "sponge", "powder"})
_FINE = frozenset({"edge", "dot", "line", "recess", "freehand"})
#: classes whose first coat goes to their home, the rest after it; the others take nothing earlier than home
_FIRST_HOME = ("metal", "skin")
#: steps of a mark's method to the kind that rules know
#: what is drawn one by one, by its place; the share from which on a glaze lies over all of its colour
_TRACES = {"lips": "lip", "runs": "streak", "stripes": "stripe"}
_ALL_OVER = 0.9
#: kinds of steps that fill what stripes leave between them
_FILLS = ("base", "layer", "stain", "line")
_MARK_KINDS = {
    "gloss": "gloss",
    "seal": "gloss",
    "soften": "softener",
    "transfer": "transfer",
    "matt": "satin",
    "guide": "guide",
    "outline": "outline",
    "freehand": "cut-back",
}


def classes_of_roles(scheme: Scheme, classes: Sequence[FigureClass]) -> dict[str, frozenset[str]]:
    """For every role worn on a rank: the materials it lies on, and metal, skin, ground, rim or lens where all of it is."""
    worn: dict[str, dict[str, object]] = {}
    for one in classes:
        for name, cell in one.cells.items():
            if cell.role:
                worn.setdefault(cell.role, {})[name] = one.plate.areas[name]
    tier = classes[0].tier
    found = {}
    for role, areas in worn.items():
        materials = {area.material for area in areas.values()}
        kinds = set(materials) - {"skin", "ground", "metal", "glass"}
        if materials == {"skin"}:
            kinds.add("skin")
        if all(group_of(name) == "Base" for name in areas):
            kinds.add("rim" if set(areas) == {RIM} else "ground")
        if all(group_of(name) in scheme.finishing.handled for name in areas):
            kinds.add("handled")
        if all(area.extent.lenses for area in areas.values()):
            kinds.add("lens")
        if all(name.rpartition(".")[2] == "eyes" for name in areas):
            kinds.add("eye")
        base = scheme.role(role).recipe(tier).base
        if base and any(pot.kind == "metallic" for pot in base.mix.paints):
            kinds.add("metal")
        if base and base.mix.film and _is_black(base):
            kinds.add("black")
        found[role] = frozenset(kinds)
    return found


def _is_black(base: Step) -> bool:
    return base.mix.film.masstone.lightness < 20


def nodes_of(
    design: Design, classes: Sequence[FigureClass], pieces: Iterable[Piece], phases: PhaseList
) -> tuple[Node, ...]:
    """Every node of one rank of one unit. pieces: what its figures get besides their colours, without masks."""
    scheme = design.scheme
    plate = classes[0].plate
    found = list(_grounds(scheme, classes[0], phases))
    known = classes_of_roles(scheme, classes)
    areas: dict[str, set[str]] = {}
    for one in classes:
        for name, cell in one.cells.items():
            if cell.role:
                areas.setdefault(cell.role, set()).add(name)
    for role, names in areas.items():
        mm2 = plate.extent_of(sorted(names)).surface_mm2
        found += _role(scheme, role, classes[0].tier, frozenset(names), known[role], mm2, phases)
    found += (_piece(piece, at, classes[0], phases) for at, piece in enumerate(pieces))
    found += _marks(scheme, classes, phases)
    return _moved(design, classes[0], {node.id: node for node in found}, phases)


def _grounds(scheme: Scheme, one: FigureClass, phases: PhaseList) -> Iterable[Node]:
    for at, laid in enumerate(laid_grounds(scheme.ground, one)):
        kind = "undercoat" if laid.coat.kind == "undercoat" else "pot-coat"
        kind = "undercoat-above" if kind == "undercoat" and laid.coat.step != "undercoat" else kind
        yield Node(
            f"{GROUND.text}|{laid.step}", GROUND.text, "hand", kind, "other", frozenset(laid.areas), phases.place("undercoat"),
            laid.name, ground_pot(laid.coat), at=at, tool="can" if laid.coat.paint.sprayed else "brush",
            drying=laid.coat.technique.drying,
        )  # fmt: skip


def ground_pot(coat: GroundCoat) -> str:
    """What is opened for a coat of a ground."""
    return f"{'spray' if coat.paint.sprayed else 'wet'}|{coat.words}"


def _role(scheme: Scheme, role_id: str, tier: str, areas, classes, mm2, phases: PhaseList) -> Iterable[Node]:
    role, steps, shaded, found = scheme.role(role_id), scheme.recipe(role_id, tier).steps, False, []
    for at, step in enumerate(steps):
        key = _key(step, shaded=shaded)
        tool = _tool(step)
        messy = (step.kind in _BIG and not shaded) or (
            step.kind == "shade" or (step.kind in ("stain", "oil") and mm2 >= _FLOODED)
        )
        tags = _tags(step, steps[:at], steps[at + 1 :])
        found.append(Node(
            f"{of_role(role_id).text}|{step.id}", role_id, "step", _kind(step), _stage(step, key), areas,
            _phase(phases, key, classes), f"{role.name} {step.technique.verb.lower()}", pot_of(step), classes, tags, tool, at,
            scheme.drying(step), cured(step), round(mm2 * step.share, 1), messy,
        ))  # fmt: skip
        shaded = shaded or step.kind in SHADES or step.kind == "stain"
    return found


def _tags(step: Step, before: Sequence[Step], after: Sequence[Step]) -> frozenset[str]:
    """What a step is besides its kind, among the steps of its recipe before and after it."""
    found = {_TRACES[step.goes.place]} if step.goes.place in _TRACES else set()
    if step.id == BENEATH:
        found.add("pale")
    if step.kind in _FILLS and any(one.goes.place == "stripes" for one in before):
        found.add("stripe-fill")
    if step.kind == "glaze" and step.share >= _ALL_OVER:
        found.add("mute")
        if not any(one.kind in LIGHTS for one in after):
            found.add("unify")
    return frozenset(found)


def _kind(step: Step) -> str:
    return varnish_kind(step.mix.paints) if step.kind == "varnish" else step.kind


def varnish_kind(paints: Sequence[Paint]) -> str:
    """The kind of a varnish by its finish: gloss, satin or matt."""
    return next((pot.finish for pot in paints if pot.finish in ("gloss", "satin", "matt")), "matt")


def _key(step: Step, *, shaded: bool) -> str:
    """Its kind by its place: rough work before the own shade, light after it; a base after it is laid again."""
    if step.kind in ("drybrush", "overbrush"):
        return "light" if shaded else "rough"
    if step.kind in ("base", "stipple") and shaded:
        return "relay"
    if step.sprayed and step.kind != "varnish":
        return "light" if shaded else "spray"
    return _kind(step)


def _stage(step: Step, key: str) -> str:
    if key in ("relay", "light", "rough"):
        return key
    if step.kind in SHADES:
        return "shade"
    if step.kind == "layer":
        return "relay"
    return "light" if step.kind in LIGHTS else "block" if step.kind in BLOCKS else "other"


def _tool(step: Step) -> str:
    if step.sprayed:
        return "can" if step.by_can else "airbrush"
    return "big" if step.kind in _BIG else "wash" if step.kind in _WET else "fine" if step.kind in _FINE else "brush"


def _phase(phases: PhaseList, key: str, classes: frozenset[str]) -> int:
    place = phases.of_kind(key)
    for one, home in phases.homes.items():
        if one not in classes or not home:
            continue
        if one in _FIRST_HOME:
            place = phases.place(home) if key in ("base", "spray", "stain") else place
        else:
            place = max(place, phases.place(home))
    return place


def pot_of(step: Step) -> str:
    """What is opened for a step: its palette and mix, whatever kind of wet work it is for; dry brushes want a palette of their own."""
    palette = "spray" if step.sprayed else "dry" if step.kind in _DRY else "wet"
    return f"{palette}|{step.mix.words}"


def _piece(piece: Piece, at: int, one: FigureClass, phases: PhaseList) -> Node:
    subject = of_pass(piece.id)
    areas = frozenset(piece.areas) if piece.areas else frozenset(one.plate.areas)
    kind = piece.work
    tags = frozenset({"large"} if kind == "plants" and -piece.order >= 4 else {kind} if kind == "mute" else ())
    classes = frozenset({"ground"} if kind == "texture" and not piece.step else ())
    tool = _tool(piece.step) if piece.step else "hand"
    if piece.step and piece.sprayed:
        tool = "can"
    if piece.phase:
        place = phases.place(piece.phase)
    elif classes:
        place = phases.place(phases.homes.get("ground") or "block-in")
    elif piece.stage == OVER and kind in _UNDER:
        place = phases.place("spray" if piece.sprayed else "all-over")
    else:
        place = phases.of_kind(kind)
    return Node(
        f"{subject.text}|{piece.id}", subject.text, "pass" if piece.step else "hand", kind, "other", areas, place, piece.name,
        pot_of(piece.step) if piece.step else f"hand|{piece.name}", classes, tags, tool, at, piece.minutes_drying,
        cured(piece.step) if piece.step else 0.0, round(piece.surface, 1),
    )  # fmt: skip


def _marks(scheme: Scheme, classes: Sequence[FigureClass], phases: PhaseList) -> Iterable[Node]:
    found: dict[str, Node] = {}
    for one in classes:
        for site_id, borne in one.borne.items():
            sites = [site for _, site in one.plate.named_sites(site_id)]
            under = frozenset(name for site in sites for name in one.plate.areas_within(site.area) if name in one.cells)
            subject = of_mark(site_id)
            method = borne.placement.manner.method
            steps = steps_of(scheme, borne.placement, sites[0])
            for at, step in enumerate(steps):
                uses = painted_with(scheme, borne.placement, step, one.tier)
                id_ = f"{subject.text}|{step.id}|{uses}"
                kind = _MARK_KINDS.get(step.id, "mark") if len(steps) > 1 else "mark"
                key = "marks" if method != "transfer" else "transfers"
                node = Node(
                    id_, f"{subject.text}", "mark", kind, "other", under, phases.place(key), f"{step.verb} {site_id.replace('.', ' ')}",
                    f"wet|{uses}", frozenset(), frozenset(), "fine", at, step.drying,
                )  # fmt: skip
                found[id_] = node if id_ not in found else _joined(found[id_], node)
    return found.values()


def _joined(one: Node, other: Node) -> Node:
    return replace(one, areas=one.areas | other.areas)


def _moved(design: Design, one: FigureClass, nodes: dict[str, Node], phases: PhaseList) -> tuple[Node, ...]:
    """The nodes with those that the painter moved pinned to their phases; a narrower scope wins, then the later choice."""
    path = design.army.paths[one.unit]
    chosen = [moved for moved in design.scheme.order.moved if not moved.scope or moved.scope in path]
    for moved in sorted(chosen, key=lambda each: path.index(each.scope) if each.scope else -1):
        place = phases.place(moved.phase)
        for node in meant(nodes, moved.what, last=False):
            nodes[node.id] = replace(node, phase=place, pinned=True)
        if moved.what.endswith("*"):
            owner = moved.what.partition(":")[2].rstrip("*")
            for node in list(nodes.values()):
                if node.owner == owner:
                    nodes[node.id] = replace(node, phase=place, pinned=True)
    return tuple(sorted(nodes.values(), key=lambda node: node.id))
