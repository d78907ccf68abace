"""The eight ways of painting an army: what each lays over a base, tier by tier."""

from dataclasses import dataclass, field

from .slots import Slots


@dataclass(frozen=True)
class Method:
    """One way of painting."""

    title: str
    #: where its metals come, how it shades, how it lights, and whether it takes solvents
    metals: str
    shades: str
    lights: str
    solvent: bool
    #: what a quick start lays over a base: for rank and file, for all above
    quick: tuple[tuple[str, ...], tuple[str, ...]]
    #: the whole recipe for rank and file; what leaders add, and what centrepieces add to that, each (after, work)
    whole: tuple[str, ...]
    leader: tuple[tuple[str, str], ...]
    centrepiece: tuple[tuple[str, str], ...]
    #: where metals, skin and bases come in its order
    slots: Slots = field(default_factory=lambda: Slots("shared", "any", "any"))

    @property
    def works_on_ground(self) -> bool:
        """Whether its colours are transparent and take their light from what they lie on."""
        return "stain" in self.whole

    def work(self, tier: str) -> tuple[str, ...]:
        """The pieces of work of a tier, in order; see ``generating`` for what each is."""
        found = list(self.whole)
        added = self.leader if tier == "leader" else self.leader + self.centrepiece if tier == "centrepiece" else ()
        for after, piece in added:
            found.insert(found.index(after) + 1, piece)
        return tuple(found)


#: of an army without a brief
USUAL_METHOD = "classic"
METHODS = {
    "classic": Method(
        "Classic layers", "with the other colours, one shade for all", "all over or in recesses",
        "broad, then fine edges", False,
        (("shade", "layer"), ("shade", "layer", "highlight", "edge")),
        ("base", "shade", "relay", "layer"), (("layer", "highlight"), ("highlight", "edge")),
        (("highlight", "glaze"), ("edge", "dot")),
    ),
    "stains": Method(
        "One-coat stains", "with the other colours", "the stain shades itself", "drybrush or a few layers", False,
        (("shade", "drybrush"), ("shade", "drybrush", "edge")),
        ("pale", "stain", "drybrush"), (("drybrush", "edge"),), (("drybrush", "highlight"), ("edge", "dot")),
    ),
    "airbrush": Method(
        "Airbrush and chips", "after the satin coat, so that they shine", "none; lines late", "sponged dark chips", False,
        (("layer",), ("layer", "highlight", "edge")),
        ("base", "overbrush", "satin", "line", "sponge"), (("overbrush", "edge"),), (("overbrush", "highlight"),),
        Slots("after", "any", "last"),
    ),
    "stipple": Method(
        "Stipple and weather", "first or with the others", "overall, then a tinted second", "drybrush", False,
        (("shade", "drybrush"), ("shade", "drybrush", "highlight")),
        ("base", "stipple", "shade", "drybrush"), (("drybrush", "recess"), ("recess", "highlight")),
        (("highlight", "powder"),),
        Slots("first", "any", "any"),
    ),
    "oil": Method(
        "Oil and enamel", "after the matt coat", "enamel or oil, wiped", "pushed early", True,
        (("shade", "highlight"), ("shade", "layer", "highlight", "edge")),
        ("base", "highlight", "gloss", "oil", "matt"), (("base", "layer"), ("matt", "edge")), (("edge", "dot"),),
        Slots("after", "any", "last"),
    ),
    "overbrush": Method(
        "Overbrush and wash", "last", "overall, thinned", "points on the base", False,
        (("drybrush", "shade"), ("drybrush", "shade", "edge")),
        ("base", "overbrush", "shade", "dot"), (("shade", "highlight"),), (("highlight", "edge"),),
        Slots("last", "late", "any"),
    ),
    "glaze": Method(
        "Freehand and glaze", "with the other colours", "thin glazes", "follow the light of the area", False,
        (("layer", "glaze"), ("layer", "glaze", "highlight", "edge")),
        ("base", "layer", "glaze", "highlight"), (("highlight", "edge"),), (("highlight", "glaze-again"), ("edge", "dot")),
    ),
    "speed": Method(
        "Army speed with mud", "late", "overall", "lines on visible folds", False,
        (("shade",), ("shade", "highlight")),
        ("base", "shade", "highlight", "powder"), (("highlight", "edge"),), (("edge", "dot"),),
        Slots("last", "any", "last"),
    ),
}  # fmt: skip
