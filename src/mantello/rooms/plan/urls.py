"""Addresses of the Plan room and the desk."""

from django.urls import path

from . import (
    calendar,
    cards,
    confirming,
    desk_page,
    moving,
    order,
    ordering,
    painters,
    pressing,
    searching,
    views,
    whatif,
)

urlpatterns = [
    path("plan/", views.plan, name="plan"),
    path("plan/again/", views.again, name="plan-again"),
    path("plan/calendar/", calendar.calendar, name="calendar"),
    path("plan/calendar/keep/", calendar.keep_calendar, name="keep-calendar"),
    path("plan/calendar/busy/", calendar.busy, name="calendar-busy"),
    path("plan/calendar.ics", calendar.calendar_file, name="calendar-file"),
    path("plan/move/", moving.move_batch, name="move-batch"),
    path("plan/moved/", moving.moved_lanes, name="moved-lanes"),
    path("plan/painters/", painters.painters, name="painters"),
    path("plan/painters/keep/", painters.keep_painters, name="keep-painters"),
    path("plan/painters/choose/", painters.choose_painter, name="choose-painter"),
    path("plan/units/<str:unit>/hand-over.pdf", painters.hand_over, name="hand-over"),
    path("plan/search/start/", searching.start_search, name="start-search"),
    path("plan/order/", order.order, name="order"),
    path("plan/order/<str:view>-<int:place>.svg", order.so_far, name="order-so-far"),
    path("plan/order/move/", ordering.move_work, name="order-move"),
    path("plan/order/rule/", ordering.add_rule, name="order-rule"),
    path("plan/order/give-up/", ordering.drop_rule, name="order-give-up"),
    path("plan/order/phase/", ordering.change_phase, name="order-phase"),
    path("plan/what-if/", whatif.what_if, name="what-if"),
    path("plan/join/", views.join_units, name="join-units"),
    path("plan/evenings/", views.set_evenings, name="set-evenings"),
    path("desk/", desk_page.desk, name="desk"),
    path("desk/back/", pressing.take_back_last, name="desk-back"),
    path("desk/cards.pdf", cards.cards, name="desk-cards"),
    path("desk/cautions/", confirming.confirm_cautions, name="confirm-cautions"),
    path("desk/done/", pressing.done, name="desk-done"),
]
