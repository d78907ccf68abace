"""Marking systems: codes that no two bearers share."""
