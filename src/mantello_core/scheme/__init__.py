"""The scheme: from rules over colour roles to every area of every figure."""
