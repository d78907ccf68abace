"""The room as an app without tables; its name is taken by those it had at first."""

from django.apps import AppConfig


class Room(AppConfig):
    """The Recipes room."""

    name = "mantello.rooms.recipes"
    label = "recipes_room"
