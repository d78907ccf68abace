"""Workpieces: figures on their way from photographs to a figure type."""
