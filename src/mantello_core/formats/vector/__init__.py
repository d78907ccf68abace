"""SVG files that may come from anyone: read by events, nothing followed, nothing run."""
