"""An edition as the core reads it: design, resolution and what follows from them, kept while it is looked at."""

from collections.abc import Callable, Iterable
from functools import cached_property
from typing import TypeVar

from mantello.shell.soon import worked_out
from mantello_core.advice.edge_list import edge_list
from mantello_core.bearers.allotment import Allotment, allotments
from mantello_core.camouflage.pattern import Pattern
from mantello_core.camouflage.surface import PITCH
from mantello_core.checks.balance import trouble
from mantello_core.checks.finding import Check, Finding, checked
from mantello_core.checks.harmony import Harmony, harmony_of
from mantello_core.checks.inspect import inspect
from mantello_core.checks.look import Look
from mantello_core.checks.mapping import unmapped
from mantello_core.colour.spaces import Lab, lab_of_hex, mean_lab
from mantello_core.design.advance import CarriedMark, advanced_name, marks_for_copy
from mantello_core.design.camouflaged import layers_on, layouts_on, scaled
from mantello_core.design.design import Design
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import Prediction
from mantello_core.film.tones import Tones
from mantello_core.formats.arms_svg import PLAIN_COLOURS
from mantello_core.formats.camouflage_svg import Camouflage, camouflage_of, layer_of
from mantello_core.formats.drawing import Bearing, Lit, plate_svg
from mantello_core.insignia.arms.tincture import TINCTURES
from mantello_core.insignia.devices.device import ARMS
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.marks.named_arms import NamedArms
from mantello_core.marks.placement import Placement
from mantello_core.order.stacks import Stacks, laid_as
from mantello_core.order.subject import GROUND, Kind, Subject
from mantello_core.passes.camouflaging import ink_of
from mantello_core.passes.ground_work import LaidGround, laid_grounds
from mantello_core.passes.pieces import finishing_needed
from mantello_core.passes.soiled import soiled
from mantello_core.planning.compiling import UNDERCOAT, RankSheet, Work, atoms_of, compiled, rank_sheets
from mantello_core.planning.cost import Cost, cost_of
from mantello_core.planning.ground_choice import Recommended, recommended
from mantello_core.planning.standing import standing_ranks
from mantello_core.planning.task import Atom
from mantello_core.planning.undercoating import AssemblyAdvice, UndercoatAdvice, assembly_advice, undercoat_advice
from mantello_core.recipes.handwork import Circumstances
from mantello_core.recipes.step import Recipe
from mantello_core.scheme.cascade import FigureClass, Resolution, resolve
from mantello_core.scheme.role_groups import role_groups
from mantello_core.scheme.share import paint_by_unit, paint_needed, role_shares

from .seeing import Seeing
from .traces import DIRT_TRACES, lit_of, shaded

#: bare resin, areas left bare, and gaps, as drawn
BARE, GAP = "#c4c4c4", "#dcdcdc"
NEUTRAL = Seeing()
#: ranks of an army of which everything is worked out within a request: 290 ms, all of it, for eight on a slow machine
SMALL = 12
T = TypeVar("T")


class Reading:
    """What the core makes of one edition. Nothing in it ever changes."""

    #: the same for readings of designs that differ in their evenings alone
    timeless = ""
    #: the army it is an edition of; 0 where it is none's
    army_id = 0

    def __init__(self, design: Design, like: "Reading | None" = None, kin: "Callable[[], Iterable[Reading]]" = tuple):
        """like: a reading of the same design on other evenings; what does not depend on them is taken over. kin: gives readings
        of other designs, of which what an edit left as it was is taken over too."""
        self.design, self._kin = design, kin
        self._edges: dict[tuple, frozenset[str]] = {}
        self._soiled: dict[tuple, dict[str, tuple[Lab, Lab]]] = {}
        self._copies: dict[str, tuple[str, tuple[CarriedMark, ...]]] = like._copies if like else {}
        if like:
            same_air = _air(design) == _air(like.design)
            kept = _TIMELESS if same_air else _TIMELESS - {"work"}
            if design.evenings.pace != like.design.evenings.pace:
                kept = kept & _PACELESS
            self.__dict__ |= {name: like.__dict__[name] for name in kept if name in like.__dict__}

    @cached_property
    def resolution(self) -> Resolution:
        """Every area of every figure."""
        return self._beside("resolution", lambda: resolve(self.design.army, self.design.scheme))

    @cached_property
    def is_small(self) -> bool:
        """Whether nothing of it takes long, so that nobody need wait for it beside the request."""
        return sum(len(unit.ranks) for unit in self.design.army.units) <= SMALL

    def _beside(self, name: str, work: Callable[[], T]) -> T:
        """What is to be kept under a name: of a large army from beside the request."""
        return worked_out(self, name, work, little=self.is_small)

    def around(self, one: FigureClass) -> Circumstances:
        """Under what circumstances figures of a class are painted."""
        return self.design.around(one.tier, len(one.ordinals))

    @cached_property
    def checks(self) -> tuple[Check, ...]:
        """The inspection."""
        return self._beside("checks", lambda: inspect(self.design, self.resolution, self._look))

    @cached_property
    def _look(self) -> Look:
        return Look(self.design, self.resolution)

    @cached_property
    def unmapped(self) -> Check:
        """The check of areas that nothing speaks of; known long before the rest of the inspection."""
        return checked(unmapped(self._look), self.design.scheme.aims)

    @property
    def gaps(self) -> tuple[Finding, ...]:
        """Areas that nothing speaks of, without those that were accepted."""
        return self.unmapped.findings

    @cached_property
    def slow_to_cover(self) -> Check:
        """The check of coats and mixes, alone."""
        return checked(trouble(self._look), self.design.scheme.aims)

    @cached_property
    def ranked_checks(self) -> list[Check]:
        """The checks, worst first."""
        return sorted(self.checks, key=lambda check: ("wrong", "look", "clear").index(check.verdict))

    @cached_property
    def harmony(self) -> Harmony:
        """The army's colours in words."""
        return harmony_of(self.design, self.resolution)

    @cached_property
    def shares(self) -> dict[str, float]:
        """Share of the army's visible area by role."""
        return role_shares(self.resolution, self.design.scheme)

    @cached_property
    def role_groups(self) -> tuple[tuple[str, tuple[str, ...]], ...]:
        """The scheme's roles in groups of the stuff they cover most of."""
        return role_groups(self.design.scheme, self.resolution)

    @cached_property
    def needed(self) -> dict[str, float]:
        """Neat ml of every paint the army takes, with its dirt and varnish."""

        def found() -> dict[str, float]:
            needed = paint_needed(self.design.scheme, self.resolution)
            for id_, ml in finishing_needed(self.design, self.resolution).items():
                needed[id_] = needed.get(id_, 0.0) + ml
            return needed

        return self._beside("needed", found)

    @cached_property
    def needed_by_unit(self) -> dict[str, dict[str, float]]:
        """Neat ml of every paint, unit by unit."""
        return paint_by_unit(self.design.scheme, self.resolution)

    @cached_property
    def work(self) -> Work:
        """All the work of the design, with nothing done."""
        return compiled(self.design, self.resolution, sheets=self.sheets)

    @cached_property
    def sheets(self) -> tuple[RankSheet, ...]:
        """What is to be done on every rank's figures, of which work is compiled."""
        return self._beside("sheets", self._sheets)

    def _sheets(self) -> tuple[RankSheet, ...]:
        """Sheets of ranks that an edit of a kept reading left as they were are taken over."""
        other, stand = self._standing()
        if other is None:
            return rank_sheets(self.design, self.resolution)
        known = {(one.unit, one.rank): one for one in other.sheets if (one.unit, one.rank) in stand}
        return rank_sheets(self.design, self.resolution, standing=known)

    def _standing(self) -> "tuple[Reading | None, frozenset[tuple[str, str]]]":
        """A kept reading of the same army whose work is known, with the ranks of which an edit left the work as it was."""
        for other in self._kin():
            if other is not self and "sheets" in vars(other) and other.design.army.root.id == self.design.army.root.id:
                stand = standing_ranks(other.design, other.resolution, self.design, self.resolution)
                if stand:
                    return other, stand
        return None, frozenset()

    @cached_property
    def atoms(self) -> tuple[Atom, ...]:
        """All the work of the design with nothing done, without its order; of a kept reading of which all work stands, its own."""
        if "work" in vars(self):
            return self.work.atoms
        other, stand = self._standing()
        if other is not None and "atoms" in vars(other):
            ranks = list(self.resolution.ranks)
            if len(stand) == len(ranks) and ranks == list(other.resolution.ranks):
                return other.atoms
        sheets = vars(self).get("sheets")
        return self._beside("atoms", lambda: atoms_of(self.design, self.resolution, sheets))

    @cached_property
    def cost(self) -> Cost:
        """Coats, minutes and mixes of the whole army."""
        return cost_of(self.atoms)

    @cached_property
    def undercoats(self) -> tuple[UndercoatAdvice, ...]:
        """What every undercoat would cost the whole army; about a second for 200 figures."""
        return undercoat_advice(self.design, self.resolution)

    @cached_property
    def assemblies(self) -> tuple[AssemblyAdvice, ...]:
        """What could be sprayed apart, and over what."""
        return assembly_advice(self.design, self.resolution)

    @cached_property
    def recommended(self) -> Recommended | None:
        """The undercoat to take, and why."""
        return recommended(self.design, self.resolution, self.undercoats)

    @cached_property
    def undercoat(self) -> Lab:
        """The colour of the undercoat."""
        return self.design.scheme.ground.colour

    def copy_of(self, node_id: str) -> tuple[str, tuple[CarriedMark, ...]]:
        """What a copy of a formation would be called, and the marks it would wear; kept once asked."""
        if node_id not in self._copies:
            nodes = self.design.army.nodes
            name = advanced_name(nodes[node_id].name, {node.name for node in nodes.values()})
            self._copies[node_id] = name, marks_for_copy(self.design, node_id, name)
        return self._copies[node_id]

    @cached_property
    def stacks(self) -> Stacks:
        """What lies on every area, passes over the figure included."""
        return Stacks(self.design, self.resolution)

    def prediction(self, role_id: str, tier: str) -> Prediction:
        """What a role's recipe for a tier gives on what most of it lies on, with the passes that lie on most of it."""
        key = role_id, tier
        recipe, ground = self._usual_worn.get(key) or (self.stacks.usual(*key), self.resolution.ground_under(*key))
        return self.design.scheme.predicted(recipe, ground, self.resolution.worn.usual_form(*key))

    @cached_property
    def _usual_worn(self) -> dict[tuple[str, str], tuple[Recipe, Ground | None]]:
        """What lies on most of every role that is worn on a tier, and what that lies on; predicted all together."""

        def found() -> dict[tuple[str, str], tuple[Recipe, Ground | None]]:
            worn = self.resolution.grounds_worn
            lying = {key: (self.stacks.usual(*key), self.resolution.ground_under(*key)) for key in worn}
            self.design.scheme.predict_together(lying.values())
            return lying

        return self._beside("_usual_worn", found)

    def _worn(self, one: FigureClass, area: str) -> Prediction | None:
        """What the recipe of an area gives on what the area starts on; None without one."""
        role = one.cells[area].role
        if not role or not self.design.scheme.role(role).recipe(one.tier).steps:
            return None
        recipe, form = self.stacks.laid_on(one, area)
        return self.design.scheme.predicted(recipe, one.ground_of(area), form)

    def tones(self, role_id: str | None, tier: str = "rank") -> Tones | None:
        """The five tones of a role; None if it has no recipe yet."""
        if not role_id or not self.design.scheme.role(role_id).recipe(tier).steps:
            return None
        return self.prediction(role_id, tier).tones

    def fill(self, one: FigureClass, area: str, seeing: Seeing = NEUTRAL) -> str:
        """The colour an area is drawn in, as designed: its base tone, or from afar the mean of its tones."""
        worn = self._worn(one, area)
        if not worn:
            return GAP if one.cells[area].role is None else BARE
        if seeing.moment == "finished":
            clean, dirty = self.soiled(one, () if seeing.apparent else tuple(DIRT_TRACES))[area]
            return seeing.hex(dirty if seeing.apparent or clean != dirty else worn.tones.flats)
        if seeing.moment == "shade":
            return seeing.hex(shaded(worn).flats)
        return seeing.hex(worn.apparent if seeing.apparent else worn.tones.flats)

    def soiled(self, one: FigureClass, without: tuple[str, ...] = ()) -> dict[str, tuple[Lab, Lab]]:
        """For every painted area of a class its colour clean and dirty, some laws of dirt left out; kept once asked."""
        key = one.unit, one.rank, one.ordinals[0], without
        if key not in self._soiled:
            self._soiled[key] = soiled(self.design, one, without=without, laid_on=self.stacks.laid_on)
        return self._soiled[key]

    def lit(self, one: FigureClass, area: str, seeing: Seeing = NEUTRAL) -> Lit | None:
        """The tones that an area shows in its seams and on its edges; None where it has but one, and from afar."""
        worn = self._worn(one, area)
        if not worn or seeing.apparent:
            return None
        return lit_of(self.design, one, area, worn, seeing, edges=self._edge_kept(one, area))

    def _edge_kept(self, one: FigureClass, area: str) -> bool:
        """Whether an area's edges are lit: those before the cut-off of the last edge step that has one."""
        role = one.cells[area].role
        steps = [step for step in self.design.scheme.role(role).recipe(one.tier).steps if step.work == "edge"]
        share = steps[-1].manner.share if steps else None
        if share is None:
            return True
        key = id(one.plate), id(one.cells), role
        if key not in self._edges:
            areas = [name for name, cell in one.cells.items() if cell.role == role]
            rows = edge_list(one.plate, areas, steps[-1], {}, self.around(one))
            self._edges[key] = frozenset(row.area for row in rows if row.kept(share))
        return area in self._edges[key]

    @cached_property
    def allotments(self) -> tuple[Allotment, ...]:
        """Every mark by device, colour, site and size."""
        return allotments(self.resolution)

    def bearing(self, one: FigureClass, seeing: Seeing = NEUTRAL) -> Bearing:
        """What the sites of a class bear, in the colours it is drawn in."""
        return tuple((site, self._mark(borne.placement, one.tier, seeing)) for site, borne in one.borne.items())

    def camouflage(
        self,
        one: FigureClass,
        view: str,
        ordinal: int,
        seeing: Seeing = NEUTRAL,
        laid_to: dict[str, int] | None = None,
        pitch: float = PITCH,
    ) -> tuple[Camouflage, ...]:
        """The patterns of one figure on one view, in the colours of their inks.

        laid_to: of every pattern the place of the last ink that is laid; None for all of all. pitch: of the raster, mm.
        """
        found = []
        worn = [pattern for pattern in self.design.scheme.patterns if pattern.id in one.patterns]
        for pattern, laid in zip(worn, layouts_on(self.design, one, ordinal, pitch), strict=True):
            inks = one.inks_of(pattern.id)
            if laid_to is not None and not laid_to.get(pattern.id):
                continue
            inks = inks if laid_to is None else inks[: laid_to[pattern.id] + 1]
            colours = tuple(self.ink(pattern, role, one.tier, seeing) for role in inks)
            if drawn := camouflage_of(laid, view, colours):
                found.append(drawn)
            last = None if laid_to is None else max(0, laid_to[pattern.id] - len(pattern.inks) + 1)
            layers = list(zip(pattern.overlays, layers_on(laid, pattern), strict=True))[:last]
            for overlay, worn_layer in layers:
                if drawn := layer_of(laid, worn_layer, view, self.ink(pattern, overlay.role, one.tier, seeing)):
                    found.append(drawn)
        return tuple(found)

    def laid_by(self, one: FigureClass, piece: str) -> Lab | None:
        """The colour that a piece of camouflage lays on a class of figures; None for other work."""
        laid = ink_of(piece)
        if laid is None or laid[0] not in one.patterns:
            return None
        pattern = self.design.scheme.pattern(laid[0])
        roles = (*one.inks_of(pattern.id), *(layer.role for layer in pattern.overlays))
        tones = self.tones(roles[laid[1]], one.tier)
        return scaled(self.design, pattern, tones.flats) if tones else None

    def inks_done(self, one: FigureClass, done: frozenset[tuple[Subject, str]]) -> dict[str, int]:
        """Of every pattern of a figure the place of the last ink that is painted; without those of which none is."""
        found: dict[str, int] = {}
        for subject, _ in done:
            if laid := ink_of(subject.piece):
                found[laid[0]] = max(found.get(laid[0], 0), laid[1])
        return found

    def ink(self, pattern: Pattern, role: str, tier: str, seeing: Seeing = NEUTRAL) -> str:
        """The colour of an ink as it is seen, lightened for the scale where the pattern says so."""
        tones = self.tones(role, tier)
        return seeing.hex(scaled(self.design, pattern, tones.flats)) if tones else GAP

    def drawn(
        self,
        one: FigureClass,
        view: str,
        seeing: Seeing = NEUTRAL,
        detail: str = "large",
        seed: int = 0,
        pitch: float = PITCH,
    ) -> str:
        """A figure of a class from one side, as designed, as an SVG document. seed: deals its chips and streaks; pitch: of the
        raster on which camouflage is laid, mm."""
        return plate_svg(
            one.plate,
            view,
            lambda area: self.fill(one, area, seeing),
            detail=detail,
            blur=seeing.blur,
            bearing=self.bearing(one, seeing),
            lit_of=lambda area: self.lit(one, area, seeing),
            seed=seed,
            camouflage=self.camouflage(one, view, seed or one.ordinals[0], seeing, pitch=pitch) if one.patterns else (),
        )

    def _mark(self, placement: Placement, tier: str, seeing: Seeing) -> WornMark:
        def inked(role: str) -> str:
            tones = self.tones(role, tier)
            return seeing.hex(tones.flats) if tones else GAP

        device, manner = placement.device, placement.manner
        round_it = {name: inked(role) for name in ("ground", "outline") if (role := getattr(manner, name))}
        if device.kind != ARMS:
            return WornMark(device, inked(placement.role), manner=manner, **round_it)
        arms = self.design.scheme.named_arms(device.text)
        colours = tuple((id_, seeing.hex(self.tincture(arms, id_, tier))) for id_ in TINCTURES)
        return WornMark(device, "", arms.tree, colours, manner, **round_it)

    def tincture(self, arms: NamedArms | None, id_: str, tier: str = "rank") -> Lab:
        """How a tincture of arms looks: in the paint of its role, or as heraldry draws it; furs by their middle."""
        made_of = TINCTURES[id_].made_of
        if made_of:
            return mean_lab([self.tincture(arms, one, tier) for one in made_of], [0.8, 0.2])
        role = arms.role_of(id_) if arms else None
        tones = self.tones(role, tier) if role in self.design.scheme.role_by_id else None
        return tones.flats if tones else lab_of_hex(PLAIN_COLOURS[id_])

    def painted_fill(
        self, one: FigureClass, area: str, done: frozenset[tuple[Subject, str]], seeing: Seeing = NEUTRAL
    ) -> str:
        """The colour an area has on a figure whose ``done`` (subject, step) are painted."""
        if all(subject.kind == Kind.PASS for subject, _ in done):
            return BARE
        role = one.cells[area].role
        if role:
            recipe, form = self.stacks.laid_on(one, area)
            for outcome in reversed(self.design.scheme.predicted(recipe, one.ground_of(area), form).outcomes):
                if laid_as(outcome.step, role) in done:
                    return seeing.hex(outcome.tones.flats)
        laid = [each for each in self.laid_grounds(one) if area in each.areas and each.assembly]
        if laid and not any((GROUND, step) in done for step in (UNDERCOAT, *(each.step for each in laid))):
            return BARE
        return seeing.hex((one.ground_of(area) or self.design.scheme.ground).colour)

    def laid_grounds(self, one: FigureClass) -> tuple[LaidGround, ...]:
        """The coats beneath the colours of a class of figures."""
        return laid_grounds(self.design.scheme.ground, one)


#: what is worked out of a design whatever its evenings; the work besides while the air is the same
_TIMELESS = {
    "resolution", "checks", "unmapped", "slow_to_cover", "ranked_checks", "harmony", "shares", "role_groups", "needed", "needed_by_unit", "sheets", "work", "cost", "undercoats",
    "recommended", "assemblies", "undercoat", "allotments",
}  # fmt: skip


#: of it, what does not count minutes
_PACELESS = {
    "resolution",
    "harmony",
    "shares",
    "role_groups",
    "needed",
    "needed_by_unit",
    "assemblies",
    "undercoat",
    "allotments",
}


def _air(design: Design) -> tuple[str, str]:
    return design.evenings.air, design.evenings.aid
