"""What goes wrong at the desk, why, and what mends it, with the numbers of the step at hand."""

from dataclasses import dataclass, replace

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..recipes.step import MOST_COATS, MOST_MINUTES, Mix, Step

#: parts of diluent at most
MOST_THINNED = 20.0


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
        Mishap("thin", "thin spray", "Held too far away, moved too fast, or the can ran out: the figure shows through.", "Another light pass when it is dry; until then colours on it want a coat more.", ("spray", "undercoat"), "Sprays: outdoors or in a vented booth, with a mask; the label comes first."),
        Mishap("missed", "missed places", "Not turned to every side: undersides and folds stayed bare.", "Brush a matching pot into the places, or spray again from below; bare plastic drinks a coat more.", ("spray", "undercoat"), "Sprays: outdoors or in a vented booth, with a mask; the label comes first."),
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


def correction(mishap: str, step: Step, coats: int) -> tuple[str, Step] | None:
    """What keeps a mishap from happening again, in words and as the step it makes of a recipe's; None where no recipe is to
    blame.

    mishap: its id. coats: as many as were planned. Too pale or patchy wants a coat more, thinner if it was patchy; too
    strong a shade or light wants to be thinned by half as much again; a torn film, half as much drying again.
    """
    if mishap == "pale" and coats < MOST_COATS:
        return f"{step.technique.verb}: {coats + 1} coats from now on", replace(step, coats=coats + 1)
    mix = step.mix
    if mishap in ("patchy", "strong") and mix.diluent_parts < MOST_THINNED:
        diluent = "water" if mix.diluent == "neat" else mix.diluent
        whole = sum(parts for _, parts in mix.parts)
        thinned = min(MOST_THINNED, round(mix.diluent_parts * 1.5, 2) or round(whole / 3, 2))
        more = coats + 1 if mishap == "patchy" and coats < MOST_COATS else step.coats
        words = f"{step.technique.verb}: thinner from now on, {diluent} {thinned:g}"
        return words, replace(step, mix=Mix(mix.parts, diluent, thinned), coats=more)
    if mishap == "torn":
        drying = round(min(MOST_MINUTES, step.drying * 1.5))
        return f"{step.technique.verb}: dries {drying} min from now on", replace(
            step, manner=replace(step.manner, drying=float(drying))
        )
    return None
