"""The app of archives."""

from django.apps import AppConfig
from django.utils.module_loading import autodiscover_modules


class Archive(AppConfig):
    """Armies as files."""

    name = "mantello.archive"

    def ready(self):
        """Let every app register its part."""
        autodiscover_modules("archived")
