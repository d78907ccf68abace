"""Tests. Plain devices, cloth and marks as they are worn and painted by hand."""
