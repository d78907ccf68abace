"""What the Log does in the background: its papers."""

from . import presenting  # noqa: F401  registers them
