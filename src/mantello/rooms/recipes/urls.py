"""Addresses of the Recipes room."""

from django.urls import path

from . import views

urlpatterns = [
    path("", views.recipes, name="recipes"),
    path("undercoat/", views.set_undercoat, name="set-undercoat"),
    path("undercoats/", views.undercoat_choice, name="undercoats"),
    path("<str:role>/", views.recipes, name="recipe"),
    path("<str:role>/<str:tier>/bridge/", views.lay_bridge, name="lay-bridge"),
    path("<str:role>/<str:tier>/step/", views.keep_step, name="keep-step"),
    path("<str:role>/<str:tier>/<str:step>/move/", views.move_step, name="move-step"),
]
