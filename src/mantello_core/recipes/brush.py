"""Which brush a step wants: how large, whether it may be spoiled, and whether it is kept for metals."""

from .step import Step

#: kinds of step that spoil a brush, and those that no brush does
_SPOIL = frozenset({"drybrush", "overbrush", "stipple", "powder", "texture", "oil"})
_NO_BRUSH = frozenset({"undercoat", "spray", "sponge"})
#: usual numbers of round brushes by what the hand does; the width of flat ones, mm
_SIZES = {
    "fill": "2 to 3", "layer": "1 to 2", "wash": "2 to 3", "stain": "2", "edge": "0 to 1", "line": "00", "pin": "0", "dot": "00",
    "dry": "flat, 6 to 10 mm", "dab": "4, stubby", "oil": "flat, 4 to 6 mm",
}  # fmt: skip
_OF_KIND = {"varnish": "flat and soft, 10 mm", "powder": "flat and soft, 6 mm", "freehand": "00 to 0"}


def brush_words(step: Step) -> str:
    """As in 'Brush 0 to 1, from those kept for metals, with water of their own.'; '' where no brush is wanted."""
    if step.sprayed or step.kind in _NO_BRUSH:
        return ""
    size = _OF_KIND.get(step.kind) or _SIZES.get(step.work, "2")
    said = [f"Brush {size}"]
    if any(pot.flake for pot in step.mix.paints):
        said.append("from those kept for metals, with water of their own")
    if step.kind in _SPOIL:
        said.append("an old one, which it spoils")
    return f"{', '.join(said)}."
