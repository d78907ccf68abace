"""Addresses: accounts, the list of armies, and the rooms of one army."""

from django.urls import include, path

from mantello.shell.look import set_look
from mantello.shell.soon import ended
from mantello.shell.words import words_page

urlpatterns = [
    path("soon/", ended, name="soon"),
    path("look/", set_look, name="set-look"),
    path("words/", words_page, name="words"),
    path("account/", include("mantello.accounts.urls")),
    path("", include("mantello.rooms.army.urls")),
    path("", include("mantello.archive.urls")),
    path("jobs/", include("mantello.jobs.urls")),
    path("armies/<int:army_id>/scheme/", include("mantello.rooms.scheme.urls")),
    path("armies/<int:army_id>/insignia/", include("mantello.rooms.insignia.urls")),
    path("armies/<int:army_id>/recipes/", include("mantello.rooms.recipes.urls")),
    path("armies/<int:army_id>/paints/", include("mantello.rooms.paints.urls")),
    path("armies/<int:army_id>/", include("mantello.rooms.plan.urls")),
    path("armies/<int:army_id>/log/", include("mantello.rooms.log.urls")),
]
handler404 = "mantello.shell.refusal.not_found"
handler403 = "mantello.shell.refusal.forbidden"
handler500 = "mantello.shell.refusal.broken"
handler400 = "mantello.shell.refusal.unreadable"
