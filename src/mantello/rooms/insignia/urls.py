"""Addresses of the Insignia room."""

from django.urls import path

from . import views

urlpatterns = [
    path("", views.insignia, name="insignia"),
    path("draw/", views.draw, name="draw-arms"),
    path("compose/", views.compose, name="compose-arms"),
    path("keep/", views.keep_arms, name="keep-arms"),
    path("<str:arms>/remove/", views.remove_arms, name="remove-arms"),
    path("<str:arms>/arms.svg", views.arms_file, name="arms-file"),
]
