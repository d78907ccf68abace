"""Django's settings, all derived from ``options.OPTIONS``."""

from pathlib import Path

from csp.constants import NONE, SELF

from .options import OPTIONS

BASE_DIR = Path(__file__).resolve().parent.parent
SECRET_KEY = OPTIONS.secret_key
DEBUG = False
ALLOWED_HOSTS = list(OPTIONS.allowed_hosts)

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.messages",
    "whitenoise.runserver_nostatic",
    "django.contrib.staticfiles",
    "csp",
    "procrastinate.contrib.django",
    "mantello.shell",
    "mantello.accounts",
    "mantello.workspace",
    "mantello.jobs",
    "mantello.archive",
    "mantello.record",
    "mantello.shelf",
    "mantello.almanacs",
    "mantello.workpieces",
    "mantello.trials",
    "mantello.commands",
    "mantello.rooms.army",
    "mantello.rooms.scheme",
    "mantello.rooms.insignia",
    "mantello.rooms.recipes",
    "mantello.rooms.paints",
    "mantello.rooms.plan",
    "mantello.rooms.log",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.middleware.gzip.GZipMiddleware",
    "csp.middleware.CSPMiddleware",
    "mantello.shell.turns.Turns",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "mantello.accounts.demo.DemoSignIn",
    "django.contrib.messages.middleware.MessageMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "mantello.shell.zone.VisitorZone",
    "mantello.accounts.keeping.NotKept",
    "mantello.accounts.once.Once",
    "mantello.shell.refusal.Refusals",
    "mantello.shell.soon.Soon",
]
ROOT_URLCONF = "mantello.urls"
WSGI_APPLICATION = "mantello.wsgi.application"
FORM_RENDERER = "mantello.shell.rendering.FieldRenderer"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "APP_DIRS": True,
        "OPTIONS": {
            "context_processors": [
                "django.template.context_processors.request",
                "django.contrib.auth.context_processors.auth",
                "django.contrib.messages.context_processors.messages",
                "mantello.shell.page.shell",
                "mantello.shell.look.look",
            ],
            "builtins": ["mantello.shell.templatetags.icons", "mantello.rooms.scheme.templatetags.picks"],
        },
    }
]

DATABASES = {"default": OPTIONS.database}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
AUTH_USER_MODEL = "accounts.User"
AUTHENTICATION_BACKENDS = ["django.contrib.auth.backends.ModelBackend", "mantello.accounts.by_mail.MailBackend"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"django.contrib.auth.password_validation.{name}"}
    for name in (
        "UserAttributeSimilarityValidator",
        "MinimumLengthValidator",
        "CommonPasswordValidator",
        "NumericPasswordValidator",
    )
]
HASHERS = PASSWORD_HASHERS = [
    f"django.contrib.auth.hashers.{name}" for name in ("Argon2PasswordHasher", "PBKDF2PasswordHasher")
]
CSRF_FAILURE_VIEW = "mantello.shell.refusal.unproved"
# Tries are counted in the database, so that all web processes and machines count together.
CACHES = {
    "default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"},
    "tries": {
        "BACKEND": "django.core.cache.backends.db.DatabaseCache",
        "LOCATION": "accounts_tries",
        "OPTIONS": {"MAX_ENTRIES": 100_000},
    },
}
RATELIMIT_USE_CACHE = "tries"
RATELIMIT_IP_META_KEY = "mantello.accounts.visitor.address_of"
# It would rather have a cache that adds atomically; two tries at the same instant may count as one here.
SILENCED_SYSTEM_CHECKS = ["django_ratelimit.E003", "django_ratelimit.W001"]
LOGIN_URL, LOGIN_REDIRECT_URL, LOGOUT_REDIRECT_URL = "sign-in", "armies", "sign-in"
EMAIL_BACKEND = OPTIONS.mail_backend
DEFAULT_FROM_EMAIL = "Mantello <mantello@localhost>"

LANGUAGE_CODE = "en-gb"
#: one language: nothing is looked up in catalogues of others, which took one part in thirty of every page
TIME_ZONE, USE_TZ, USE_I18N = OPTIONS.time_zone, True, False

STATIC_URL, STATIC_ROOT = "static/", OPTIONS.state / "static"
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {
        "BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"
        if OPTIONS.mode == "test"
        else "mantello.shell.storage.ModuleStorage"
    },
}
DATA_UPLOAD_MAX_MEMORY_SIZE = 6_000_000
FILE_UPLOAD_MAX_MEMORY_SIZE = 6_000_000

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "loggers": {"django.request": {"handlers": ["console"], "level": "ERROR", "propagate": False}},
}

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF],
        "font-src": [SELF],
        "img-src": [SELF, "data:"],
        "connect-src": [SELF],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
        "base-uri": [NONE],
    }
}
X_FRAME_OPTIONS = "DENY"
SECURE_REFERRER_POLICY = "same-origin"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = SECURE_SSL_REDIRECT = OPTIONS.secure
SECURE_HSTS_SECONDS = 31_536_000 if OPTIONS.secure else 0
SECURE_HSTS_INCLUDE_SUBDOMAINS = SECURE_HSTS_PRELOAD = OPTIONS.secure
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if OPTIONS.secure else None
#: what a change says rides in a cookie to the page that shows it: in the session it is written to the database twice
MESSAGE_STORAGE = "mantello.accounts.said.OwnStorage"
if OPTIONS.mode == "test":
    PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
# Tests read static files where they lie; everything else serves the collected, hashed ones.
# every test has a server of its own, which would list all files before its first answer: they are looked up as they are asked for
WHITENOISE_USE_FINDERS = WHITENOISE_AUTOREFRESH = OPTIONS.mode == "test"

MANTELLO_READER = OPTIONS.reader
