"""Would the tests notice? A seeded sample of small changes to the core, each tried against the tests that reach it."""
