"""Set-up and start of the application: standard library only, since nothing is installed yet when it runs."""
