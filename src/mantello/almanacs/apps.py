"""The app of almanacs."""

from django.apps import AppConfig


class Almanacs(AppConfig):
    """Almanacs of dress and lists as they were found."""

    name = "mantello.almanacs"
