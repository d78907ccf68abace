"""The application as a server sees it. What every process needs is read before workers are forked, and shared by them."""

import gc
import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "mantello.settings")
_application = get_wsgi_application()

from mantello.shell.spooling import WholeFirst  # noqa: E402  the apps are read now
from mantello.shell.warming import warm  # noqa: E402
from mantello.workspace.surfaces import read_kept_surfaces  # noqa: E402
from mantello.workspace.warming import let_go, warm_armies  # noqa: E402

application = WholeFirst(_application)

warm()
read_kept_surfaces()
warm_armies()
let_go()
gc.collect()
gc.freeze()
