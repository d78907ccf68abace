"""Evenings, daylight and the hours there are to paint."""
