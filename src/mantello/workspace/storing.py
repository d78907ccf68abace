"""What an edition keeps of a design."""

from mantello_core.design.design import Design

from .drawings import stored


def columns(design: Design) -> dict:
    """The columns of an edition that holds a design: its document, after keeping the drawings it names, and counts."""
    force = design.army
    counts = {"figures": force.figures, "units": len(force.units), "roles": len(design.scheme.roles)}
    return {"document": stored(design), "counts": counts}
