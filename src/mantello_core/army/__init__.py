"""Who is there: formations, units, ranks and figures."""
