"""The application as a server sees it. Plates and paints are read before workers are forked."""

import os

from django.core.wsgi import get_wsgi_application

from mantello_core.figures.catalogue import read_all_plates
from mantello_core.paints.range import paints

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "mantello.settings")
application = get_wsgi_application()
read_all_plates()
paints()
