"""Pieces of a figure handed out to areas, and the view that is drawn of them: the same for photographs and 3D files."""
