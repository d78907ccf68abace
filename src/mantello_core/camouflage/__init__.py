"""Camouflage: patterns as values, laid on drawings as surfaces in space, measured on the finished shapes."""
