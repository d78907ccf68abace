"""Tests of what all pages share."""
