"""A node of the order: one step on one figure, of a role, a pass, a mark or by hand. It is what moves, never the role."""

from dataclasses import dataclass
from functools import cached_property

#: kinds of light work, shade, and what gives an area its colour
LIGHTS = frozenset({"highlight", "edge", "dot", "line", "freehand"})
SHADES = frozenset({"shade", "recess", "glaze"})
BLOCKS = frozenset({"base", "spray", "stain", "stipple", "texture"})
#: what a spill would be seen on
_NEAT = frozenset({"base", "stain", "layer", "recess", *LIGHTS})
_ROUGH_TOOLS = frozenset({"can", "airbrush", "big"})
SPRAYS = frozenset({"can", "airbrush"})


@dataclass(frozen=True)
class Node:
    """One step on one figure."""

    #: owner and step, as 'field|s2'
    id: str
    #: what it belongs to, as records write subjects
    owner: str
    #: 'step' of a role, 'pass' over the figure, 'mark', or 'hand'
    sort: str
    kind: str
    #: block, rough, shade, relay, light or other
    stage: str
    areas: frozenset[str]
    #: place among the phases that it asks for
    phase: int
    #: in words
    name: str
    #: what its pot holds
    mix: str = ""
    classes: frozenset[str] = frozenset()
    tags: frozenset[str] = frozenset()
    #: can, airbrush, big, wash, fine, brush or hand
    tool: str = "brush"
    #: place in its recipe, or on the list of passes
    at: int = 0
    #: minutes after it
    drying: float = 0.0
    #: minutes until it is cured, so that other solvents and varnish do it no harm; 0 where that is as good as dry
    curing: float = 0.0
    mm2: float = 0.0
    #: whether it soils what it touches: a rough tool before the own shade, a broad wash
    messy: bool = False
    #: whether the painter put it into its phase
    pinned: bool = False

    @cached_property
    def neat(self) -> bool:
        """Whether a spill on it would be seen."""
        return self.sort == "mark" or (self.sort == "step" and self.kind in _NEAT and self.tool not in _ROUGH_TOOLS)

    @property
    def sprayed(self) -> bool:
        """Whether it comes from can or airbrush."""
        return self.tool in SPRAYS
