"""Addresses of the Plan room and the desk."""

from django.urls import path

from . import calendar, order, views, whatif

urlpatterns = [
    path("plan/", views.plan, name="plan"),
    path("plan/again/", views.again, name="plan-again"),
    path("plan/calendar/", calendar.calendar, name="calendar"),
    path("plan/calendar/keep/", calendar.keep_calendar, name="keep-calendar"),
    path("plan/calendar/busy/", calendar.busy, name="calendar-busy"),
    path("plan/calendar.ics", calendar.calendar_file, name="calendar-file"),
    path("plan/order/", order.order, name="order"),
    path("plan/what-if/", whatif.what_if, name="what-if"),
    path("plan/evenings/", views.set_evenings, name="set-evenings"),
    path("desk/", views.desk, name="desk"),
    path("desk/back/", views.take_back_last, name="desk-back"),
    path("desk/cards.pdf", views.cards, name="desk-cards"),
    path("desk/done/", views.done, name="desk-done"),
]
