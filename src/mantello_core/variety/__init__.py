"""Controlled variety: a colour or pattern for every garment of every figure, from few pots with wanted shares."""
