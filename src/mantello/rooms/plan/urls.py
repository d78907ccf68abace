"""Addresses of the Plan room and the desk."""

from django.urls import path

from . import views

urlpatterns = [
    path("plan/", views.plan, name="plan"),
    path("plan/again/", views.again, name="plan-again"),
    path("plan/evenings/", views.set_evenings, name="set-evenings"),
    path("desk/", views.desk, name="desk"),
    path("desk/done/", views.done, name="desk-done"),
]
