"""The app's label is that of its tables, which were made when they lay in the room of that name."""

from django.apps import AppConfig


class Trials(AppConfig):
    """Test pieces: what was tried before a batch, and what came of it."""

    name = "mantello.trials"
    label = "recipes"
