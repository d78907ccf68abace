"""Work as own rules name it."""

from .node import Node


def reference_of(node: Node) -> str:
    """How own rules name a node; '' for the ground."""
    step = node.id.split("|")[1]
    if node.sort == "step":
        return f"role:{node.owner}/{step}"
    if node.owner.startswith("army:"):
        return f"pass:{node.owner.removeprefix('army:')}" if node.kind not in ("mask", "unmask") else ""
    return f"mark:{node.owner.removeprefix('mark:')}/{step}" if node.sort == "mark" else ""
