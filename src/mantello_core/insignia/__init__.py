"""Insignia: arms, plain devices, marking systems and transfers."""
