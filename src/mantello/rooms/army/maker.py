"""The figure maker: what is chosen, what may be chosen, and the picture of it."""

from collections.abc import Callable
from dataclasses import dataclass
from urllib.parse import urlencode

from django.http import Http404, HttpResponse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_GET

from mantello.workspace.reading import Reading
from mantello_core.army.tree import Army, Node, Rank
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError, UnknownName
from mantello_core.figures.drafting import sketched, sketched_part
from mantello_core.figures.kit import BODY_TITLES, KITS, Making, Slot, kit_of, made_figure, part_title, usual_making
from mantello_core.figures.own import OwnType
from mantello_core.figures.part import PARTS
from mantello_core.figures.plate import Plate, plate_from, view_from
from mantello_core.formats.drawing import plate_svg, view_svg

#: neutral greys by material, so that parts are told apart without a scheme
GREYS = {
    "cloth": "#b4b4b4", "leather": "#868686", "metal": "#dcdcdc", "plate": "#d0d0d0", "mail": "#9c9c9c", "skin": "#e4e4e4",
    "hair": "#757575", "wood": "#929292", "fur": "#7d7d7d", "feather": "#ededed", "ground": "#8e8e8e", "water": "#a9a9a9",
    "glass": "#f2f2f2", "paint": "#bdbdbd", "rope": "#c4c4c4",
}  # fmt: skip


@dataclass(frozen=True)
class Option:
    """One part that may be chosen, and whether it is."""

    part: str
    title: str
    note: str
    chosen: bool


@dataclass(frozen=True)
class Choice:
    """One place of the kit with its options, and what is wrong with what was chosen."""

    slot: Slot
    options: tuple[Option, ...]
    wrong: str

    @property
    def bare(self) -> bool:
        """Whether nothing is chosen."""
        return not any(option.chosen for option in self.options)


@dataclass(frozen=True)
class Maker:
    """A choice of parts, sound or not."""

    making: Making
    refusal: MantelloError | None

    @property
    def kits(self) -> list[tuple[str, str, bool]]:
        """Every kit: id, title, chosen or not."""
        return [(kit.id, kit.title, kit.id == self.making.kit) for kit in KITS.values()]

    @property
    def bodies(self) -> list[tuple[str, str, bool]]:
        """Bodies to choose from; none if there is just one."""
        known = kit_of(self.making.kit).bodies
        return [(one, BODY_TITLES[one], one == self.making.body) for one in known] if len(known) > 1 else []

    @property
    def details(self) -> list[tuple[str, str, bool]]:
        """What can be had with or without, where a chosen part has it."""
        parts = {part for _, part in self.making.parts}
        has = {"plume": "head.keelcap" in parts, "wings": "torso.longcoat" in parts, "gloves": True}
        known = kit_of(self.making.kit).details
        return [(one, words, one in self.making.details) for one, words in known if has[one]]

    @property
    def choices(self) -> list[Choice]:
        """Place by place, what may be chosen."""
        found = []
        for slot in kit_of(self.making.kit).slots:
            chosen = self.making.part(slot.id)
            options = tuple(Option(part, part_title(part), PARTS[part].note, part in chosen) for part in slot.parts)
            wrong = self.refusal.message if self.refusal and self.refusal.where == slot.id else ""
            found.append(Choice(slot, options, wrong))
        return found

    @property
    def hidden(self) -> list[tuple[str, str]]:
        """The choice as the members of a form."""
        pairs = [("kit", self.making.kit), ("body", self.making.body), *self.making.parts]
        return [*pairs, *(("detail", one) for one in self.making.details), ("chosen", "yes")]

    @property
    def query(self) -> str:
        """The choice as an address's query."""
        return urlencode(self.hidden)

    def pictures(self, reading: Reading) -> list[tuple[str, str]]:
        """Every view with its name, in the army's colours; without the part that cannot be, if one cannot."""
        making = self.making
        if self.refusal:
            parts = tuple(one for one in making.parts if one[0] != self.refusal.where)
            making = Making(making.kit, making.body, parts, making.details)
        try:
            shape = plate_from(sketched(made_figure("own-sketch", "Figure", making)))
        except MantelloError:
            return []
        fill = wearing(reading, shape)
        views = [view.name for view in shape.views]
        return [(name, mark_safe(plate_svg(shape, name, fill, prefix=f"make-{name}-"))) for name in views]


def maker_from(asked, old: OwnType | None = None) -> Maker:
    """The maker as a query asks for it; an own type's choice, or the kit's usual one, where it says nothing.

    asked: a QueryDict.
    """
    kit = asked.get("kit", "")
    if "chosen" not in asked:
        if old and old.making and kit in ("", old.making.kit):
            return Maker(old.making, None)
        return Maker(usual_making(kit if kit in KITS else "foot"), None)
    kit = kit if kit in KITS else "foot"
    body = asked.get("body", "")
    known = kit_of(kit)
    parts = tuple((slot.id, part) for slot in known.slots for part in asked.getlist(slot.id)[:20] if part)
    parts = tuple(one for one in parts if one[1] in next(slot.parts for slot in known.slots if slot.id == one[0]))
    details = tuple(one for one, _ in known.details if one in asked.getlist("detail"))
    making = Making(kit, body if body in known.bodies else known.bodies[0], parts, details)
    try:
        made_figure("own-x", "Figure", making)
    except MantelloError as error:
        return Maker(making, error)
    return Maker(making, None)


def wearing(reading: Reading, shape: Plate) -> Callable[[str], str]:
    """The fill of every area as the army's rules for everyone give it; a material's grey where none speaks."""
    design = reading.design
    root = design.army.root
    unit = Node(f"{root.id}-sketch", "unit", "Sketch", ranks=(Rank("figure", "Figure", shape.id, 1),))
    own = OwnType(shape.id, shape.title, "", shape)
    army = Army(Node(root.id, root.kind, root.name, (unit,)), design.army.levels, (own,))
    alone = Reading(Design(army, design.scheme))
    one = alone.resolution.classes[0]
    grey = {name: GREYS[area.material] for name, area in shape.areas.items()}
    return lambda area: alone.fill(one, area) if one.cells[area].role else grey[area]


@require_GET
def part_picture(request, part_id):
    """One part of the kit in greys."""
    try:
        view = view_from(sketched_part(part_id, "right" if request.GET.get("side") == "right" else "left"))
    except UnknownName as error:
        raise Http404 from error
    grey = {area.area: GREYS[area.material] for area in view.areas}
    response = HttpResponse(view_svg(view, grey.__getitem__, part_title(part_id)), content_type="image/svg+xml")
    response["Cache-Control"] = "public, max-age=86400"
    return response
