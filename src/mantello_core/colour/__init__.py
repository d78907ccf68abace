"""Light and paint film: reflectance bands, colour spaces, colour difference, film optics, pigments."""
