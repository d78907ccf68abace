"""What a scheme says of marks: placements, arms by name, unit codes."""
