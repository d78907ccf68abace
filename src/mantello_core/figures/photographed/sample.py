"""Photographs of a figure of the product's own: a lagoon diver with a riveted helm, hoses and a bellows pack."""

from importlib.resources import files

#: what the figure is called, and how wide its base is, mm
TITLE, BASE_MM = "Lagoon diver", 28.0


def sample_photographs() -> dict[str, bytes]:
    """View to JPEG bytes."""
    place = files("mantello_core.figures") / "data" / "photographs"
    return {view: (place / f"diver.{view}.jpg").read_bytes() for view in ("front", "back")}
