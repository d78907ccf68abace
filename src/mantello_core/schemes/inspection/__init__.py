"""Inspection: small checks of a design, each with findings that say what, where and how much."""
