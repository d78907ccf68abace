"""Tests of archives."""
