"""Addresses of the Paints room."""

from django.urls import path

from . import views

urlpatterns = [path("", views.paints, name="paints")]
