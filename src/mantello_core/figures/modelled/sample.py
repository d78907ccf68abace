"""A 3D file of the product's own: a tracked carrier that crawls through the mud of the delta."""

from importlib.resources import files

#: what the vehicle is called, and the name of its file
TITLE, NAME = "Mud carrier", "carrier.stl"


def sample_model() -> bytes:
    """The file's bytes; its unit is the mm."""
    return (files("mantello_core.figures") / "data" / "models" / NAME).read_bytes()
