"""Documents and archives as earlier versions wrote them, kept so that every later version goes on reading them."""

from pathlib import Path


def kept(name: str) -> bytes:
    """The bytes of a kept file."""
    return (Path(__file__).parent / name).read_bytes()
