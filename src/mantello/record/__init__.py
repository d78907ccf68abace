"""What was really painted: versions, entries, figures with photographs, decisions."""
