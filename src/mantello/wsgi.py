"""The application as a server sees it."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "mantello.settings")
application = get_wsgi_application()
