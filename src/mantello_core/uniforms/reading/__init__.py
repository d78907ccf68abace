"""Tables of dress as they are found, read into facts and doubts."""
