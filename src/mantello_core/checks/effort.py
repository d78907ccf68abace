"""Checks of effort: steps spent where nobody will see them."""

from collections.abc import Callable, Sequence
from itertools import compress

from ..advice.light_width import ladder
from ..design.design import Design
from ..design.edit import without_step
from ..figures.by_area import visibility_of
from ..figures.extent import Extent
from ..figures.vocabulary import sideless, spoken
from ..film.ground import Ground
from ..memory import remembered
from ..recipes.handwork import Circumstances, brushing_seconds
from ..recipes.step import Step
from ..scheme.cascade import FigureClass, Resolution
from .finding import Check, Finding, Fix, at, of
from .look import Look

#: kinds of step that only refine what a base coat says already
_REFINING = ("glaze", "layer", "drybrush", "highlight", "edge")


def hidden(look: Look) -> Check:
    """Areas that other parts hide, and the minutes that lights on them would take."""
    design, resolution = look.design, look.resolution
    least = design.scheme.aims.threshold("hidden")
    spent: dict[str, list] = {}
    dim, kinds = resolution.worn.last("dim", (least,), lambda: _dim(resolution, least))
    seconds = _seconds(look, kinds)
    for one, name, key, kind in dim:
        if seconds[kind] > 0:
            count = len(one.ordinals)
            entry = spent.setdefault(key, [one, name, one.plate.areas[name].visibility, 0.0, 0])
            entry[3] += seconds[kind] * count / 60
            entry[4] += count
    found: list[Finding] = []
    for key, (one, name, visibility, minutes, figures) in spent.items():
        if minutes >= 1:
            said = f"{spoken(sideless(name))} is {100 * visibility:.0f} % seen; lights there take {minutes:.0f} min"
            finding = at(design.army, one, name, said, key, minutes)
            found.append(of(finding, "Lights where hardly anyone looks", (), (name,), figures))
    found.sort(key=lambda finding: -finding.number)
    whole = sum(finding.number for finding in found)
    worst = found[0].what if found else "no lights are spent where nobody sees them"
    rule = (
        f"Areas of which less than {100 * least:.0f} % is seen on the finished model want a base coat, not lights"
        + (f": {whole:.0f} min could be spared." if found else ".")
    )
    return Check("hidden", "Hidden effort", "look" if found else "clear", worst, tuple(found), rule, ("hidden",))


#: a role in a tier on a ground (the army's if None), the extent of one area, and how many figures are painted together
_Kind = tuple[str, str, Ground | None, Extent, int]


def _dim(resolution: Resolution, least: float) -> tuple[list[tuple[FigureClass, str, str, int]], tuple[_Kind, ...]]:
    """Areas that are painted and of which less than a share is seen, class after class: with a key for those alike, and the
    number of their kind; and the kinds."""
    found, kinds = [], {}
    for one in resolution.classes:
        dim = (visibility_of(one.plate) < least) & (resolution.worn.numbers(one) >= 0)
        for name in compress(one.plate.areas, dim):
            extent, count = one.plate.areas[name].extent, len(one.ordinals)
            kind = one.cells[name].role, one.tier, one.ground_of(name), extent, count
            found.append((one, name, f"{one.type}|{sideless(name)}", kinds.setdefault(kind, len(kinds))))
    return found, tuple(kinds)


def _seconds(look: Look, kinds: Sequence[_Kind]) -> list[float]:
    """Seconds that lights take on one area of one figure of each kind."""
    design, worn = look.design, look.resolution.worn
    lights: dict[tuple, tuple[tuple[Step, int], ...]] = {}
    around: dict[tuple[str, int], Circumstances] = {}
    found = []
    for role, tier, ground, extent, count in kinds:
        asked = role, tier, ground
        if asked not in lights:
            laid = design.scheme.predicted(
                design.scheme.role(role).recipe(tier), ground, worn.usual_form(role, tier)
            ).coats
            lights[asked] = tuple((step, coats) for step, coats in laid if step.kind in _REFINING)
        if (tier, count) not in around:
            around[tier, count] = design.around(tier, count)
        found.append(_brushing(lights[asked], extent, around[tier, count]))
    return found


@remembered(400, each=24)
def _brushing(lights: tuple[tuple[Step, int], ...], extent: Extent, around: Circumstances) -> float:
    """Seconds that lights take on one area of one figure."""
    return sum(brushing_seconds(step, extent, coats, around) for step, coats in lights)


#: kinds of light that are left out where nobody sees them
_LEFT_OUT = ("highlight", "edge", "dot")


def unseen(look: Look) -> Check:
    """Lights narrower than the eye tells apart on figures of this height from where they are looked at, and their minutes."""
    design, resolution = look.design, look.resolution
    height = design.brief.height_mm if design.brief else 28.0
    spent: dict[tuple[str, str, str], list] = {}
    names_of: dict[tuple[str, str], tuple[str, ...]] = {}
    lost: dict[tuple[str, str], list] = {}
    for one in resolution.classes:
        around = design.around(one.tier, len(one.ordinals))
        for role, names in resolution.worn.areas(one).items():
            if (role, one.tier) not in lost:
                rungs = ladder(design.scheme.role(role).recipe(one.tier), height, look.far)
                lost[role, one.tier] = [rung for rung in rungs if rung.lost and rung.step.kind in _LEFT_OUT]
            if rungs := lost[role, one.tier]:
                extent = resolution.worn.extent(one, role)
                for rung in rungs:
                    seconds = brushing_seconds(rung.step, extent, rung.step.coats or 1, around) * len(one.ordinals)
                    entry = spent.setdefault((role, one.tier, rung.step.id), [one, names[0], rung, 0.0])
                    entry[3] += seconds / 60
                    names_of.setdefault((role, one.tier), names)
    found = []
    for (role, tier, step), (one, area, rung, minutes) in spent.items():
        name = design.scheme.role(role).name
        said = f"{rung.step.technique.verb} of {name} is {rung.width:.2f} mm wide; {minutes:.0f} min that nobody sees"
        fix = Fix(f"leave it out of {name}", _without(role, tier, step))
        if minutes >= 1:
            finding = at(design.army, one, area, said, f"{role}|{tier}|{step}", minutes, fix)
            cause = f"{rung.step.technique.verb} too narrow to be seen"
            found.append(of(finding, cause, (role,), names_of[role, tier], len(one.ordinals)))
    found.sort(key=lambda finding: -finding.number)
    whole = sum(finding.number for finding in found)
    worst = found[0].what if found else "every light is wide enough to be seen"
    rule = f"A light narrower than one minute of arc at {look.far:g} m, on figures of {height:g} mm, is not laid" + (
        f": {whole / 60:.1f} h could be spared." if found else "."
    )
    return Check("unseen", "Too small to see", "look" if found else "clear", worst, tuple(found), rule)


def _without(role: str, tier: str, step: str) -> Callable[[Design], Design]:
    return lambda design: without_step(design, role, tier, step)
