"""Work in the background: asked for once, watched, stopped; one entry for workers, one fragment that fills in."""
