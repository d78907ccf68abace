"""The app of jobs."""

from django.apps import AppConfig
from django.utils.module_loading import autodiscover_modules


class Jobs(AppConfig):
    """Work in the background."""

    name = "mantello.jobs"

    def ready(self):
        """Let every app name its kinds of job."""
        autodiscover_modules("jobs")
