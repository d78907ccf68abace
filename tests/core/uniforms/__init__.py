"""Dress of sources."""
