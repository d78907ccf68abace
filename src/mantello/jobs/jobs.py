"""What the app of jobs does in the background itself."""

from . import papers  # noqa: F401  registers printing
