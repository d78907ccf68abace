"""The app's label is that of its tables, which were made when they lay in the room of that name."""

from django.apps import AppConfig


class Shelf(AppConfig):
    """What an account owns of paints, and its own paints."""

    name = "mantello.shelf"
    label = "paints"
