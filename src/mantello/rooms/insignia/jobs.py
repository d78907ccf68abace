"""What the Insignia room does in the background: its papers."""

from . import freehand, transfers  # noqa: F401  register them
