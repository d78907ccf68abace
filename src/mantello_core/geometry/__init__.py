"""Outlines, curves and polygons, beside shapely."""
