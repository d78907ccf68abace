"""Planning: from recipe steps to evenings. Time is always an argument."""
