"""WSGI entry point for gunicorn."""

import os
import sys

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "judicum.server.config.settings")
application = get_wsgi_application()

from judicum import __version__  # noqa: E402
from judicum.server.people.accounts.releases import other_version  # noqa: E402
from judicum.words.catalogue import t  # noqa: E402

if other := other_version():
    sys.exit(f"judicum: {t('problem-other-version', own=__version__, other=other)}")
