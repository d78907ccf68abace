"""Addresses of the Paints room."""

from django.urls import path

from . import matching, views

urlpatterns = [
    path("", views.paints, name="paints"),
    path("match/", matching.match, name="match"),
    path("match/take/", matching.take_match, name="take-match"),
]
