"""Sign-up, sign-in, passwords, the demo account and the local outbox."""
