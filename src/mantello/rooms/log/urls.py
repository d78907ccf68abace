"""Addresses of the Log room."""

from django.urls import path

from . import views

urlpatterns = [
    path("", views.log, name="log"),
    path("<int:entry_id>/", views.change_entry, name="change-entry"),
]
