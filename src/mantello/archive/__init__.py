"""A whole army out and in as one checked file, put together from parts that every app registers."""
