"""Whether passes over the figure are laid on anything."""

from dataclasses import replace

from ..design.design import Design
from ..passes.pieces import covering_nothing
from .finding import Check, Finding, Fix
from .look import Look


def passes(look: Look) -> Check:
    """Passes that cover no area of any figure, each with the way to take it away."""
    found = tuple(
        Finding(
            f"{one.name} covers nothing on any figure", f"nowhere|{one.id}|{one.scope}", number=1.0,
            mending=Fix(f"Take {one.name} away", lambda design, at=at: _without(design, at)),
        )
        for at, one in enumerate(look.design.scheme.passes)
        if one in covering_nothing(look.design.scheme, look.resolution)
    )  # fmt: skip
    worst = found[0].what if found else "every pass is laid on some figure"
    rule = "A pass over the figure names materials, parts or colours that somebody has."
    return Check("passes", "Passes over the figure", "wrong" if found else "clear", worst, found, rule)


def _without(design: Design, at: int) -> Design:
    kept = tuple(one for number, one in enumerate(design.scheme.passes) if number != at)
    return replace(design, scheme=replace(design.scheme, passes=kept))
