"""Addresses of jobs."""

from django.urls import path

from . import views

urlpatterns = [
    path("status/", views.status, name="status"),
    path("<int:job_id>/", views.watch_job, name="watch-job"),
    path("<int:job_id>/stop/", views.stop_job, name="stop-job"),
]
