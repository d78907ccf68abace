"""Insignia: devices as outlines."""
