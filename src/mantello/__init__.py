"""The web application: one app per room, the shell they share, and accounts."""
