"""Addresses of accounts."""

from django.urls import path

from . import views

urlpatterns = [
    path("", views.account, name="account"),
    path("sign-up/", views.sign_up, name="sign-up"),
    path("sign-in/", views.SignIn.as_view(), name="sign-in"),
    path("sign-out/", views.sign_out, name="sign-out"),
    path("demo/", views.open_demo, name="open-demo"),
    path("outbox/", views.outbox, name="outbox"),
    path("password/", views.ChangePassword.as_view(), name="change-password"),
    path("reset/", views.ResetPassword.as_view(), name="reset-password"),
    path("reset/sent/", views.ResetSent.as_view(), name="reset-sent"),
    path("reset/<uidb64>/<token>/", views.SetPassword.as_view(), name="password_reset_confirm"),
]
