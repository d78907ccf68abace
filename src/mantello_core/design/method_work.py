"""What a method does over the whole figure: its passes, its varnish and its barrier, set up when a brief is taken."""

from collections import Counter
from dataclasses import replace

from ..paints.range import paint
from ..recipes.method import METHODS
from ..recipes.slots import Slots
from ..recipes.step import Mix, Step
from ..scheme.finishing import usual_dirt
from ..scheme.scheme import Role, Scheme
from ..scheme.whole_pass import WholePass
from .design import Design
from .edit import with_scheme

#: methods with one wash over everything, and with oil laid and wiped over everything
_WASHED, _OILED = ("stipple", "overbrush", "speed"), ("oil",)
#: methods that sponge chips over hard edges, and the chip's colour
_CHIPPED, _CHIP = ("airbrush",), "pitch-barrel"
#: roles that a wash over the figure does not take the place of
_APART = ("glass", "water", "ground", "rim")
#: finish of a method's last coat
_FINISH = {"airbrush": "satin"}
#: the wash and the oil that go with most colours
_WASH, _OIL = "umber-wash", "oil-burnt-umber"
#: dirt levels from which mud is part of the look; passes of dirt that army speed lays
_MUDDY, _SPEED_DIRT = 2, ("mud",)


def with_method_work(design: Design) -> Design:
    """The scheme of a brief with its method's passes and finish; what is finished already stays as it is.

    A method that washes or oils over the figure takes that step out of every role's recipe but lenses and grounds, and
    but metals and skin where the method lays them after it. One that chips lays chips over the edges of what is hard. A
    scheme that has passes or a varnish of its own is left alone.
    """
    scheme = design.scheme
    if design.brief is None or scheme.passes or scheme.finishing.varnish:
        return design
    method = design.brief.method
    finishing = replace(scheme.finishing, varnish=_FINISH.get(method, "matt"))
    made = scheme
    if method in _WASHED:
        made = _washed(scheme, METHODS[method].slots)
    elif method in _OILED:
        made, finishing = _oiled(scheme), replace(finishing, barrier="gloss")
    elif method in _CHIPPED:
        made = replace(scheme, passes=(_chips(),))
    if method == "speed" and design.dirt_level >= _MUDDY and not finishing.dirt:
        finishing = replace(finishing, dirt=tuple(one for one in usual_dirt() if one.id in _SPEED_DIRT))
    return with_scheme(design, replace(made, finishing=finishing))


def _chips() -> WholePass:
    """Dark chips on the edges of hard faces, after the coat that seals the colours."""
    step = Step("chips", "sponge", Mix(((paint(_CHIP), 1.0),)), 1)
    return WholePass(step.id, "Chips", step, leaves=("base",), law="edges", because="chips stand on the sealed colour")


def _washed(scheme: Scheme, slots: Slots) -> Scheme:
    """One wash in place of every role's own, in the mix that most of them had; umber where they have none."""
    mixes = Counter(
        step.mix for role in scheme.roles for step in role.recipe().steps if step.kind == "shade" and _shared(role)
    )
    mix = mixes.most_common(1)[0][0] if mixes else Mix(((paint(_WASH), 1.0),), "medium", 2.0)
    return _over(scheme, "One wash over all", Step("wash", "shade", mix, 1), "one tone pulls all together", slots)


def _oiled(scheme: Scheme) -> Scheme:
    mix = Mix(((paint(_OIL), 1.0),), "thinner", 2.0)
    return _over(
        scheme,
        "Oil laid and wiped",
        Step("oil", "oil", mix, 1),
        "it settles where light does not reach",
        METHODS["oil"].slots,
    )


def _over(scheme: Scheme, name: str, step: Step, because: str, slots: Slots) -> Scheme:
    """The scheme with a pass over all but the base in place of every role's own shade."""
    one = WholePass(step.id, name, step, leaves=("base",), because=because)
    return replace(scheme, roles=tuple(_without_shade(role, slots) for role in scheme.roles), passes=(one,))


def _shared(role: Role) -> bool:
    return role.material not in ("lens", "ground") and role.id not in _APART


def _without_shade(role: Role, slots: Slots) -> Role:
    """A role without its own shade, on every tier; what a pass leaves out, or comes before, keeps it."""
    base = role.recipe().base
    metal = bool(base) and any(pot.kind == "metallic" for pot in base.mix.paints)
    late = (metal and slots.metals in ("after", "last")) or (role.id == "flesh" and slots.skin == "late")
    if late or not _shared(role):
        return role
    return role.without_steps(lambda step: step.kind == "shade")
