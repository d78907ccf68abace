"""The app's label is that of its tables, which were made when they lay in the room of that name."""

from django.apps import AppConfig
from django.utils.module_loading import autodiscover_modules


class Workspace(AppConfig):
    """Armies, the editions of their designs, and the page every room stands on."""

    name = "mantello.workspace"
    label = "army"

    def ready(self):
        """Let the rooms say where they stand on the seam."""
        autodiscover_modules("seam")
