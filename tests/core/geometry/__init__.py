"""Tests of lines, rings and polygons."""
