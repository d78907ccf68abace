"""What goes wrong at the desk, why, and what mends it, with the numbers of the step at hand."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab


@dataclass(frozen=True)
class Mishap:
    """One thing that goes wrong: how it looks, why it happens, how it is mended and kept from happening again."""

    id: str
    name: str
    why: str
    mend: str
    #: kinds of step it happens at; empty for all
    kinds: tuple[str, ...] = ()
    caution: str = ""


#: known mishaps by id
MISHAPS = {
    one.id: one
    for one in (
        Mishap("pale", "too pale", "The paint was thinned too far, or what lies beneath shows through.", "Another thin coat when this one is dry. Do not paint into a half dry one.", ("base", "layer", "stain", "glaze", "highlight", "edge")),
        Mishap("patchy", "patchy", "The coat tore or ran while it dried, or was too thick in places.", "Let it dry through, smooth ridges with a fine sanding stick, then one thin even coat over the whole area.", ("base", "layer", "stain", "glaze")),
        Mishap("rings", "tide rings", "A wash dried from its edge inwards.", "Wet the area with medium, feather the ring out while it is damp; a thin coat of the base colour where it stays.", ("shade", "recess", "glaze", "oil")),
        Mishap("strong", "too strong", "Too much paint on the brush, or the step is too far from the one before.", "A thin glaze of the colour before it over the edge between the two.", ("layer", "highlight", "edge", "drybrush", "overbrush", "dot", "line")),
        Mishap("spill", "a spill over the edge", "The brush was too full or too large.", "Wet paint: lift it with a clean damp brush. Dry paint: cut back with the neighbour's base mix, which should still be at hand."),
        Mishap("torn", "a torn film", "Touched while it was half dry, or masked too soon.", "Let it dry a day, sand the edge flat, then build the coats up again on that place."),
        Mishap("frost", "frosting", "Varnish or spray in damp or cold air, or from too far away.", "A coat of gloss varnish takes most of it away; then matt again on a dry day.", ("varnish",), "Varnish and sprays: outdoors or in a vented booth, with a mask; the label comes first."),
        Mishap("grain", "grainy spray", "The paint dried in the air: too far away, too hot, or too windy.", "Brush the grain off with a soft dry toothbrush when it is hard, then another light pass from nearer.", ("spray", "undercoat"), "Sprays: outdoors or in a vented booth, with a mask; the label comes first."),
        Mishap("rubbed", "rubbed through", "Held by the paint instead of the base.", "Touch up with the base mix; mount the figure on a stick or cork before going on."),
    )
}  # fmt: skip


def mishaps_at(kind: str) -> tuple[Mishap, ...]:
    """What may go wrong at a kind of step: the likeliest for it first, then what happens everywhere."""
    own = [one for one in MISHAPS.values() if kind in one.kinds]
    return (*own, *(one for one in MISHAPS.values() if not one.kinds))


@dataclass(frozen=True)
class Repair:
    """What another coat would do at a step that went wrong."""

    #: CIEDE2000 from the wanted colour after so many coats as planned, and after one more
    now: float
    then: float

    @property
    def worth_a_coat(self) -> bool:
        """Whether another coat brings it visibly nearer."""
        return self.now - self.then >= 0.5


def repair(wanted: Lab, now: Lab, then: Lab) -> Repair:
    """What another coat does. wanted: the mix where it hides all; now, then: predicted after the planned coats and one more."""
    return Repair(difference(wanted, now), difference(wanted, then))
