"""The app of workpieces."""

from django.apps import AppConfig


class Workpieces(AppConfig):
    """Figures on their way from photographs to a figure type."""

    name = "mantello.workpieces"
