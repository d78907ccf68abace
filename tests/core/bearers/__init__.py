"""Tests. Who bears which mark: copies, sites, sheets and the steps of a mark."""
