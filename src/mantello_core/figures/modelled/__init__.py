"""Figures from 3D files: triangles read, cleaned and set upright, gathered into patches, seen from all sides, measured."""
